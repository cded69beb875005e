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
    /// <param name="compilation">The source.</param>
    public static WrittenFactory Read(IOperation factory, bool isAsync, Compilation compilation)
    {
        IOperation plain = Operations.WithoutConversions(factory);
        return plain switch
        {
            IDelegateCreationOperation { Target: IAnonymousFunctionOperation function } =>
                new(Read(function.Symbol, compilation), IdentityOf(function), isAsync),
            IDelegateCreationOperation { Target: IMethodReferenceOperation { Method: var method } } =>
                new(Read(method, compilation), method is { IsStatic: true, IsGenericMethod: false } ? method : null, isAsync),
            _ => throw Operations.Unknown(plain, "the factory"),
        };
    }

    private static IReadOnlyList<WrittenParameter> Read(IMethodSymbol method, Compilation compilation) =>
        [.. method.Parameters.Select(parameter => WrittenParameter.Of(parameter, compilation))];

    /// <summary>A function that captures nothing, in a method that is not generic, is one for all.</summary>
    private static SyntaxNode? IdentityOf(IAnonymousFunctionOperation function) =>
        IsInGenericMethod(function) || function.Descendants().Any(operation => Captures(operation, function)) ? null : function.Syntax;

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
