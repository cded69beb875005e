using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Small questions to operations.</summary>
internal static class Operations
{
    /// <summary>An operation without the conversions around it; the conversion of a number is part of its value.</summary>
    public static IOperation WithoutConversions(IOperation operation) => operation switch
    {
        IConversionOperation { ConstantValue.HasValue: true, Type.IsValueType: true } => operation,
        IConversionOperation { OperatorMethod: null } conversion => WithoutConversions(conversion.Operand),
        IParenthesizedOperation parenthesized => WithoutConversions(parenthesized.Operand),
        IConditionalAccessInstanceOperation placeholder when ReceiverOf(placeholder) is { } receiver => WithoutConversions(receiver),
        _ => operation,
    };

    /// <summary>What stands before <c>?.</c>; null if it is not known.</summary>
    public static IOperation? ReceiverOf(IConditionalAccessInstanceOperation placeholder)
    {
        IOperation inside = placeholder;
        while (inside.Parent is { } around)
        {
            if (around is IConditionalAccessOperation access && access.WhenNotNull == inside)
            {
                return access.Operation;
            }

            inside = around;
        }

        return null;
    }

    public static bool IsOf(ITypeSymbol? type, string metadataName) =>
        type is not null && SymbolNames.Definition(type.OriginalDefinition) == metadataName;

    /// <summary>Whether a type is one of registrations.</summary>
    public static bool IsRegistration(ITypeSymbol? type) =>
        type is not null && (IsOf(type, "Junctivor.Registration") || IsRegistration(type.BaseType));

    /// <summary>Whether a type is a sequence of registrations, such as a wiring.</summary>
    public static bool IsRegistrations(ITypeSymbol? type) => type switch
    {
        IArrayTypeSymbol array => IsRegistration(array.ElementType),
        INamedTypeSymbol { TypeArguments: [var element] } named when IsOfPlatform(named) => IsRegistration(element),
        _ => IsOf(type, "Junctivor.Wiring"),
    };

    /// <summary>The argument for a parameter.</summary>
    public static IOperation Argument(IInvocationOperation call, string parameter) =>
        call.Arguments.First(argument => argument.Parameter?.Name == parameter).Value;

    /// <summary>The argument for a parameter that not every overload has; null if there is none.</summary>
    public static IOperation? ArgumentOrNull(IInvocationOperation call, string parameter) =>
        call.Arguments.FirstOrDefault(argument => argument.Parameter?.Name == parameter)?.Value;

    /// <summary>Whether something is declared by .NET itself.</summary>
    public static bool IsOfPlatform(ISymbol symbol) => symbol.ContainingAssembly?.Name is { } name
        && (name is "mscorlib" or "netstandard" or "System" || name.StartsWith("System.", StringComparison.Ordinal));

    /// <summary>Whether an operation is part of another one, by their places in the source.</summary>
    public static bool Contains(IOperation operation, IOperation part) =>
        operation.Syntax.SyntaxTree == part.Syntax.SyntaxTree && operation.Syntax.Span.Contains(part.Syntax.Span);

    /// <summary>The name and the number of arguments of a call.</summary>
    public static (string Name, int Arguments) Shape(IInvocationOperation call) => (call.TargetMethod.Name, call.Arguments.Length);

    /// <summary>The lambda or method that a delegate is created from; null for another expression.</summary>
    public static IOperation? FunctionOf(IOperation value) => value switch
    {
        IDelegateCreationOperation { Target: var target } => target,
        IAnonymousFunctionOperation or IMethodReferenceOperation => value,
        _ => null,
    };

    /// <summary>Whether an operation is in a local function or lambda within some statements.</summary>
    public static bool IsInFunction(IOperation operation, IReadOnlyList<IOperation> statements)
    {
        for (IOperation? around = operation.Parent; around is not null && !statements.Contains(around); around = around.Parent)
        {
            if (around is IAnonymousFunctionOperation or ILocalFunctionOperation)
            {
                return true;
            }
        }

        return false;
    }

    public static Location LocationOf(IOperation operation) => operation.Syntax.GetLocation();
}
