using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Plans;

/// <summary>Makes a wrapper that comes to the service later. The plan below is asked for then, as it may lie on a ring.</summary>
internal sealed class DeferredRecipe(DeferredForm form, Wrappers wrappers, Lazy<Plan> planBelow) : Recipe
{
    public override object Make(in Surroundings surroundings, object?[] arguments)
    {
        Resolver home = surroundings.Home;
        Type? consumer = surroundings.Consumer;
        return form switch
        {
            DeferredForm.Func => wrappers.Func(home, planBelow, consumer),
            DeferredForm.Lazy => wrappers.Lazy(home, planBelow, consumer),
            _ => wrappers.FreshScope(home, planBelow, consumer),
        };
    }
}
