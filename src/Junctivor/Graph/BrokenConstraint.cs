namespace Junctivor.Graph;

/// <summary>Says which constraint of a generic class a type argument does not satisfy.</summary>
/// <param name="Class">The class, by its name.</param>
/// <param name="Parameter">The name of its type parameter.</param>
/// <param name="Argument">The type argument.</param>
internal sealed record BrokenConstraint(string Class, string Parameter, TypeRef Argument)
{
    public ClosingObstacle ReferenceWanted => new($"{Where}class', and {Argument.SimpleName} is a struct.");

    public ClosingObstacle StructWanted => new($"{Where}struct', and {Argument.SimpleName} is not a struct.");

    public ClosingObstacle ConstructorWanted => new(
        $"{Where}new()', and {Argument.SimpleName} has no public constructor without parameters.",
        $"give {Argument.SimpleName} such a constructor");

    private string Where => $"{Class} has the constraint 'where {Parameter} : ";

    /// <param name="missed">The base class or interface.</param>
    /// <param name="isChangeable">Whether the type argument is the user's to change.</param>
    public ClosingObstacle SupertypeWanted(TypeRef missed, bool isChangeable)
    {
        string verb = missed.IsInterface ? "implement" : "derive from";
        return new ClosingObstacle(
            $"{Where}{missed.SimpleName}', and {Argument.SimpleName} does not {verb} it.",
            isChangeable ? $"change {Argument.SimpleName} to {verb} {missed.SimpleName}" : null,
            Argument,
            missed);
    }

    /// <summary>That a service leaves a type parameter of the class open.</summary>
    public static ClosingObstacle Undetermined(TypeRef service, string parameter, string definition) =>
        new($"{service.SimpleName} does not determine the type parameter {parameter} of {definition}.");
}
