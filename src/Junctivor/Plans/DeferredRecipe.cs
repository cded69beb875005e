using Junctivor.Graph;
using Junctivor.Registering;
using Junctivor.Runtime;

namespace Junctivor.Plans;

/// <summary>Makes a wrapper that comes to the service later. The plan below is asked for then, as it may lie on a ring.</summary>
internal sealed class DeferredRecipe(DeferredForm form, Wrappers wrappers, Lazy<Plan> planBelow) : Recipe
{
    public override object Make(in Surroundings surroundings, object?[] arguments)
    {
        Later later = new(surroundings.Home, planBelow, surroundings.Consumer);
        return form switch
        {
            DeferredForm.Func => wrappers.Func(later),
            DeferredForm.Lazy => wrappers.Lazy(later),
            _ => wrappers.FreshScope(later),
        };
    }
}
