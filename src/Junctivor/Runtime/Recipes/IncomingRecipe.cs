using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Finds a value that was supplied to the scope it is wanted in, or to one around it; null if it was not.</summary>
internal sealed class IncomingRecipe(Node declaration) : Recipe
{
    public override object? Construct(in ResolutionContext surroundings, object?[] arguments)
    {
        for (Resolver? holder = surroundings.Home; holder is not null; holder = holder.Outer)
        {
            if (holder.Values.Find(declaration) is { } value)
            {
                return value;
            }
        }

        return null;
    }
}
