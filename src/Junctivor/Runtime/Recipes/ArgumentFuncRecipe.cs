using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>Creates a function that constructs with arguments at each call.</summary>
internal sealed class ArgumentFuncRecipe(Type function, Lazy<Plan> planBelow) : Recipe
{
    private volatile bool _isInterpreted;

    public override object Construct(in ResolutionContext surroundings, object?[] arguments)
    {
        Resolver home = surroundings.Home;
        Type? consumer = surroundings.Consumer;
        return Create(Construct);

        object Construct(object?[] given)
        {
            home.ThrowIfDisposed();
            return Construction.Run(planBelow.Value, home, consumer, given!);
        }
    }

    /// <summary>A natively compiled program may lack the code for structs as arguments; that it is tried once is enough.</summary>
    private object Create(Func<object?[], object> construct)
    {
        if (!_isInterpreted)
        {
            try
            {
                return ArgumentFunctions.Create(function, construct);
            }
            catch (NotSupportedException)
            {
                _isInterpreted = true;
            }
        }

        return InterpretedFunctions.Create(function, construct);
    }
}
