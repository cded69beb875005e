using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Small questions to operations.</summary>
internal static class Operations
{
    private const int LongestShown = 60;

    public static IOperation WithoutConversions(IOperation operation) => operation switch
    {
        IConversionOperation { OperatorMethod: null } conversion => WithoutConversions(conversion.Operand),
        IParenthesizedOperation parenthesized => WithoutConversions(parenthesized.Operand),
        _ => operation,
    };

    public static bool IsOf(ITypeSymbol? type, string metadataName) =>
        type is not null && SymbolNames.Definition(type.OriginalDefinition) == metadataName;

    /// <summary>Whether a type is one of registrations.</summary>
    public static bool IsRegistration(ITypeSymbol? type) =>
        type is not null && (IsOf(type, "Junctivor.Registration") || IsRegistration(type.BaseType));

    /// <summary>The argument for a parameter.</summary>
    public static IOperation Argument(IInvocationOperation call, string parameter) =>
        call.Arguments.First(argument => argument.Parameter?.Name == parameter).Value;

    /// <summary>The argument for a parameter that not every overload has; null where there is none.</summary>
    public static IOperation? ArgumentOrNull(IInvocationOperation call, string parameter) =>
        call.Arguments.FirstOrDefault(argument => argument.Parameter?.Name == parameter)?.Value;

    public static Location LocationOf(IOperation operation) => operation.Syntax.GetLocation();

    /// <summary>That an operation cannot be followed.</summary>
    /// <param name="operation">The operation.</param>
    /// <param name="what">What it stands for.</param>
    public static UnfollowableException Unknown(IOperation operation, string what)
    {
        string text = string.Join(" ", operation.Syntax.ToString().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        string shown = text.Length <= LongestShown ? text : $"{text[..LongestShown]}…";
        return new UnfollowableException($"{what} is known only at run time: {shown}", LocationOf(operation));
    }
}
