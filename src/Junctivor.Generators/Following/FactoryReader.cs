using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads what a factory takes, and what tells it from others.</summary>
internal static class FactoryReader
{
    /// <param name="factory">The argument.</param>
    /// <param name="isAsync">Whether what it returns must be awaited.</param>
    /// <param name="types">Reads types.</param>
    /// <param name="values">Reads values.</param>
    /// <param name="evaluation">The evaluation, which knows type parameters.</param>
    public static WrittenFactory Read(IOperation factory, bool isAsync, TypeReading types, ValueReading values, Frame evaluation)
    {
        (IOperation plain, Frame frame) = values.ResolveKept(factory, evaluation);
        return Operations.FunctionOf(plain) switch
        {
            IAnonymousFunctionOperation function =>
                new(
                    Read(function.Symbol, types, frame, plain),
                    IdentityOf(function, types, frame) ?? KeptIdentity(factory, plain, frame),
                    isAsync),
            IMethodReferenceOperation { Method: var method } => new(
                Read(method, types, frame, plain),
                method is { IsStatic: true, IsGenericMethod: false } ? types.MemberIn(method, frame) : null,
                isAsync),
            _ => throw Unfollowable.Unknown(plain, "the factory"),
        };
    }

    private static IReadOnlyList<WrittenParameter> Read(IMethodSymbol method, TypeReading types, Frame frame, IOperation at) =>
    [
        .. method.Parameters.Select(parameter => WrittenParameter.Of(parameter, types.Compilation))
            .Select(written => written with { Type = types.In(written.Type, frame, at) }),
    ];

    /// <summary>In one evaluation a variable has one function, even if that captures variables.</summary>
    private static object? KeptIdentity(IOperation factory, IOperation function, Frame frame) =>
        Operations.FunctionOf(Operations.WithoutConversions(factory)) is null ? (function, frame) : null;

    /// <summary>A function that captures nothing, in a method that is not generic, is one for all; in a generic type, one for each closed
    /// type.</summary>
    private static object? IdentityOf(IAnonymousFunctionOperation function, TypeReading types, Frame frame)
    {
        if (IsInGenericMethod(function) || function.Descendants().Any(operation => Captures(operation, function)))
        {
            return null;
        }

        return function.Symbol.ContainingType is { IsGenericType: true } around
            ? new ClosedFunction(function.Syntax, types.In(around, frame, function))
            : function.Syntax;
    }

    private static bool Captures(IOperation operation, IAnonymousFunctionOperation function) => operation switch
    {
        IInstanceReferenceOperation { ReferenceKind: InstanceReferenceKind.ContainingTypeInstance } => true,
        ILocalReferenceOperation local => !local.Local.IsConst && IsOutside(local.Local, function),
        IParameterReferenceOperation parameter => IsOutside(parameter.Parameter, function),
        _ => false,
    };

    private static bool IsOutside(ISymbol variable, IAnonymousFunctionOperation function) =>
        !variable.DeclaringSyntaxReferences.Any(reference =>
            reference.SyntaxTree == function.Syntax.SyntaxTree && function.Syntax.Span.Contains(reference.Span));

    private static bool IsInGenericMethod(IAnonymousFunctionOperation function) => function.Syntax.Ancestors()
        .Any(node => node is MethodDeclarationSyntax { TypeParameterList: not null }
            or LocalFunctionStatementSyntax { TypeParameterList: not null });
}
