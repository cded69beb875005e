using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>Creates a function that constructs with arguments at each call.</summary>
internal sealed class ArgumentFuncRecipe(Type function, Lazy<Plan> planBelow) : Recipe
{
    public override object Construct(in ResolutionContext surroundings, object?[] arguments)
    {
        Resolver home = surroundings.Home;
        Type? consumer = surroundings.Consumer;
        return RuntimeFeature.IsDynamicCodeSupported
            ? RunTimeFunctions.Create(function, Construct)
            : InterpretedFunctions.Create(function, Construct);

        object Construct(object?[] given)
        {
            home.ThrowIfDisposed();
            return Construction.Run(planBelow.Value, home, consumer, given!);
        }
    }
}
