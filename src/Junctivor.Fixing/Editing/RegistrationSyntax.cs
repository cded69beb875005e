using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>A registration as it stands in the source: a call such as <c>Singleton.Of&lt;Till&gt;()</c>, and the options behind
/// it.</summary>
internal sealed class RegistrationSyntax
{
    private RegistrationSyntax(InvocationExpressionSyntax start)
    {
        Start = start;
        ExpressionSyntax whole = start;
        List<InvocationExpressionSyntax> options = [];
        while (whole.Parent is MemberAccessExpressionSyntax access && access.Expression == whole
            && access.Parent is InvocationExpressionSyntax call)
        {
            options.Add(call);
            whole = call;
        }

        Whole = whole;
        Options = options;
    }

    public SyntaxTree Tree => Start.SyntaxTree;

    /// <summary>The call that it starts with.</summary>
    public InvocationExpressionSyntax Start { get; }

    /// <summary>All of it.</summary>
    public ExpressionSyntax Whole { get; }

    /// <summary>The calls behind the first, in their order.</summary>
    public IReadOnlyList<InvocationExpressionSyntax> Options { get; }

    /// <summary>The method and what stands before its dot: <c>Singleton</c> and <c>Of</c>.</summary>
    public MemberAccessExpressionSyntax Method => (MemberAccessExpressionSyntax)Start.Expression;

    /// <exception cref="CannotEditException">There is none at that place, or more than one that may be meant.</exception>
    public static RegistrationSyntax At(CSharpCompilation compilation, string file, int line, string? type)
    {
        SyntaxTree tree = compilation.SyntaxTrees.FirstOrDefault(tree => tree.FilePath == file)
            ?? throw new CannotEditException($"{Path.GetFileName(file)} is not a source of this assembly");
        SemanticModel model = compilation.GetSemanticModel(tree);
        List<InvocationExpressionSyntax> there = [.. tree.GetRoot().DescendantNodes()
            .OfType<InvocationExpressionSyntax>()
            .Where(call => call.Expression is MemberAccessExpressionSyntax access
                && Lines.NumberOf(tree, access.Name.SpanStart) == line
                && IsStart(model, call))];
        List<InvocationExpressionSyntax> fitting = there.Count < 2 ? there : [.. there.Where(call => Names(model, call, type))];
        return fitting is [InvocationExpressionSyntax only]
            ? IsForAnyType(model, only)
                ? throw new CannotEditException(
                    $"the registration at {Path.GetFileName(file)}:{line} is written once for several services")
                : new RegistrationSyntax(only)
            : throw new CannotEditException(
                $"{(fitting.Count == 0 ? "no registration" : "more than one registration")} was found at "
                    + $"{Path.GetFileName(file)}:{line}");
    }

    /// <summary>The last call of an option; null if it was not written.</summary>
    public static SimpleNameSyntax NameOf(InvocationExpressionSyntax option) => ((MemberAccessExpressionSyntax)option.Expression).Name;

    /// <summary>Whether it makes a registration out of something that is none.</summary>
    private static bool IsStart(SemanticModel model, InvocationExpressionSyntax call) =>
        IsRegistration(model.GetTypeInfo(call).Type)
        && call.Expression is MemberAccessExpressionSyntax access
        && !IsRegistration(model.GetTypeInfo(access.Expression).Type);

    /// <summary>Whether the types that it names are type parameters of the method or class around it.</summary>
    private static bool IsForAnyType(SemanticModel model, InvocationExpressionSyntax call) =>
        call.DescendantNodes()
            .OfType<TypeSyntax>()
            .Any(type => model.GetSymbolInfo(type).Symbol is ITypeParameterSymbol
                && type.FirstAncestorOrSelf<AnonymousFunctionExpressionSyntax>() is null);

    private static bool IsRegistration(ITypeSymbol? type)
    {
        for (ITypeSymbol? each = type; each is not null; each = each.BaseType)
        {
            if (each is { Name: "Registration", ContainingNamespace: { Name: "Junctivor", ContainingNamespace.IsGlobalNamespace: true } })
            {
                return true;
            }
        }

        return false;
    }

    private static bool Names(SemanticModel model, InvocationExpressionSyntax call, string? type)
    {
        IEnumerable<ITypeSymbol?> named = (model.GetSymbolInfo(call).Symbol as IMethodSymbol)?.TypeArguments ?? [];
        return named
            .Concat(call.ArgumentList.DescendantNodes().OfType<TypeOfExpressionSyntax>().Select(each => model.GetTypeInfo(each.Type).Type))
            .Any(symbol => symbol is INamedTypeSymbol each && MetadataName.Of(each) == type);
    }
}
