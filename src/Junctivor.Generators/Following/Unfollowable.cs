using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Why code cannot be followed, and how to write it so that it can.</summary>
internal static class Unfollowable
{
    private const int LongestShown = 60;

    /// <summary>How to write each part of a wiring so that it can be followed.</summary>
    private static readonly Dictionary<string, string> Cures = new()
    {
        ["the wiring"] = "Write it as a collection expression, such as [Singleton.Of<Clock>(), .. Storage.Wiring]",
        ["the registration"] = "Write it as Singleton.Of<Clock>(), in place or in a member that returns it",
        ["the sequence"] = "Write it as an array or collection expression",
        ["the type"] = "Write it as a type argument or with typeof",
        ["the text"] = "Use a constant",
        ["the factory"] = "Pass a lambda or a method",
        ["the function"] = "Pass a lambda or a method",
        ["the scope level"] = "Keep it in a static readonly field",
        ["the object"] = "Create it with new where it is used",
        ["the option"] = "Call the option directly behind the registration",
    };

    public static UnfollowableException AnotherValue(ISymbol variable, Location location) =>
        new($"{variable.Name} gets another value here", location, cure: "Use another variable for that value");

    public static UnfollowableException MayChange(ISymbol list, Location location) => new(
        $"{list.Name} may be changed here",
        location,
        cure: $"Add with Add, or write another wiring: [.. {list.Name}, Singleton.Of<Clock>()]");

    public static UnfollowableException AddedInSomeRuns(Location location) => new(
        "a registration is added only in some runs, or several times",
        location,
        cure: "Add it in the method that creates the wiring, with if, switch or a foreach over an array");

    public static UnfollowableException LeftLoop(IOperation loop) => new(
        "a loop is left before its end", Operations.LocationOf(loop), cure: "Use continue for elements that are not wanted");

    public static UnfollowableException AddedUnlessThrown(IOperation caught) => new(
        "a registration is added only if nothing is thrown",
        Operations.LocationOf(caught),
        cure: "Throw again at the end of the catch block, or add the registration outside of the try block");

    public static UnfollowableException SeveralWaysOut(Location location) => new(
        "whether a registration is added depends on more than one way out of this code", location, cure: "Use if and else instead");

    public static UnfollowableException NotReadOnly(ISymbol field, Location location) =>
        new($"{field.Name} is not readonly, so it may get another value", location, cure: "Make it readonly");

    public static UnfollowableException HasSetter(ISymbol property, Location location) =>
        new($"{property.Name} has a setter, so it may get another value", location, cure: "Remove the setter");

    public static UnfollowableException LeadsBack(ISymbol member, Location location) =>
        new($"{member.Name} leads back to itself", location);

    /// <summary>A member of another project that left nothing behind.</summary>
    public static UnfollowableException OfOtherProject(ISymbol member, bool hasGenerator, Location location)
    {
        string assembly = member.ContainingAssembly?.Name ?? "another assembly";
        return hasGenerator
            ? new UnfollowableException(
                $"{member.Name} is declared in {assembly}, and of other projects only some members are followed",
                location,
                cure: "Make it a public static member of a class that is not generic, which returns a Wiring or adds to one")
            : new UnfollowableException(
                $"{member.Name} is declared in {assembly}, which was compiled without Junctivor's generator",
                location,
                cure: $"Reference the package Junctivor in {assembly}");
    }

    /// <summary>An operation that is not understood.</summary>
    /// <param name="operation">The operation.</param>
    /// <param name="what">Its part in the wiring.</param>
    public static UnfollowableException Unknown(IOperation operation, string what)
    {
        string text = string.Join(" ", operation.Syntax.ToString().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        string shown = text.Length <= LongestShown ? text : $"{text[..LongestShown]}…";
        Location location = Operations.LocationOf(operation);
        return IsKnownAtRunTimeOnly(operation)
            ? new UnfollowableException($"{what} is known only at run time: {shown}", location, Obstacle.RunTime, RunTimeCure(operation))
            : new UnfollowableException(
                $"{what} is not written in a way that the compiler can follow: {shown}",
                location,
                cure: Cures.TryGetValue(what, out string? cure) ? cure : "");
    }

    private static string RunTimeCure(IOperation operation) => operation switch
    {
        _ when IsScan(operation) => "List the classes, or give them [SelfRegistered] and use SelfRegistered.In<T>()",
        IInvocationOperation { TargetMethod.MethodKind: MethodKind.DelegateInvoke } => "Pass a lambda where it is called",
        IInvocationOperation { TargetMethod: var method } when SourceMembers.IsOverridable(method) => SealedCure,
        IPropertyReferenceOperation { Property: var property } when SourceMembers.IsOverridable(property) => SealedCure,
        IParameterReferenceOperation { Type: { } type } when Operations.IsRegistrations(type) =>
            "Give the member that creates the wiring [CheckedWiring], or build it there",
        _ when IsText(operation.Type) => "Use a constant",
        _ => "",
    };

    private const string SealedCure = "Seal the class, or call it on an object that is created there";

    private static bool IsKnownAtRunTimeOnly(IOperation operation) => operation switch
    {
        IParameterReferenceOperation or IAwaitOperation => true,
        IPropertyReferenceOperation { Property: var property } => SourceMembers.IsOverridable(property) || IsText(property.Type),
        IInvocationOperation { TargetMethod: var method } call => SourceMembers.IsOverridable(method)
            || method.MethodKind == MethodKind.DelegateInvoke
            || Operations.IsOf(method.ContainingType, "Junctivor.Plugins")
            || IsText(method.ReturnType)
            || IsScan(call),
        _ => IsScan(operation),
    };

    private static bool IsText(ITypeSymbol? type) => type?.SpecialType == SpecialType.System_String;

    /// <summary>Whether types are searched for.</summary>
    private static bool IsScan(IOperation operation) => operation.DescendantsAndSelf().Any(each => each is IInvocationOperation
    {
        TargetMethod.ContainingType: var type,
    }
        && (Operations.IsOf(type, "Junctivor.SelfRegistered") || Operations.IsOf(type, "System.Reflection.Assembly")
            || Operations.IsOf(type, "System.Type") || Operations.IsOf(type, "System.AppDomain")));
}
