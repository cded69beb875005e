using Junctivor.Generators.Following;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.CodeFixes;

/// <summary>Lets the container call a constructor that a registration calls itself: <c>From</c> with a lambda that passes on what it is
/// given, or <c>Value</c> with a new object.</summary>
internal static class OwnConstruction
{
    public static IEnumerable<CodeAction> Offer(
        Document document, CSharpCompilation compilation, BaseObjectCreationExpressionSyntax creation)
    {
        SemanticModel model = compilation.GetSemanticModel(creation.SyntaxTree);
        if (creation.Initializer is not null
            || CallAround(creation) is not { Expression: MemberAccessExpressionSyntax access } call
            || model.GetSymbolInfo(call).Symbol is not IMethodSymbol { ContainingAssembly.Name: "Junctivor" } method
            || model.GetTypeInfo(creation).Type is not INamedTypeSymbol { IsValueType: false } type
            || type.InstanceConstructors.Count(each => each.DeclaredAccessibility == Accessibility.Public) != 1)
        {
            return [];
        }

        bool isValue = method.Name == "Value";
        ITypeSymbol service = method.TypeArguments[^1];
        string types = SymbolEqualityComparer.Default.Equals(service, type) ? Shown(type) : $"{Shown(service)}, {Shown(type)}";
        string ending = isValue && IsDisposable(type) ? OptionNames.Call(RegistrationFlags.LeaveUndisposed) : "";
        TextChange change = new(TextSpan.FromBounds(access.Name.SpanStart, call.Span.End), $"Of<{types}>(){ending}");
        return
        [
            CodeAction.Create(
                $"Let the container construct {type.Name}: {access.Expression}.{change.NewText}",
                async stop => document.WithText((await document.GetTextAsync(stop).ConfigureAwait(false)).WithChanges(change)),
                "construct"),
        ];

        string Shown(ITypeSymbol shown) => shown.ToMinimalDisplayString(model, access.Name.SpanStart);
    }

    /// <summary>The registration whose factory or value this is, if nothing else happens there.</summary>
    private static InvocationExpressionSyntax? CallAround(BaseObjectCreationExpressionSyntax creation)
    {
        IEnumerable<string> passed = creation.ArgumentList?.Arguments.Select(argument => argument.Expression.ToString()) ?? [];
        return creation.Parent switch
        {
            LambdaExpressionSyntax { AsyncKeyword.RawKind: 0, Parent.Parent.Parent: InvocationExpressionSyntax call } lambda
                when NameOf(call) == "From" && passed.SequenceEqual(ParametersOf(lambda)) => call,
            ArgumentSyntax { Parent.Parent: InvocationExpressionSyntax call } when NameOf(call) == "Value" && !passed.Any() => call,
            _ => null,
        };
    }

    /// <summary>Whether it stands inside a registration, such as in a factory.</summary>
    public static bool IsInRegistration(SyntaxNode creation) =>
        creation.Ancestors().OfType<InvocationExpressionSyntax>().Any(call => NameOf(call) is not null);

    private static string? NameOf(InvocationExpressionSyntax call) =>
        call.Expression is MemberAccessExpressionSyntax access
        && access.Expression.ToString() is "Singleton" or "Scoped" or "Transient"
            ? access.Name.Identifier.ValueText
            : null;

    /// <summary>The parameters by name; something that is not a parameter where a mark stands on one.</summary>
    private static IEnumerable<string> ParametersOf(LambdaExpressionSyntax lambda) => lambda switch
    {
        SimpleLambdaExpressionSyntax simple => [simple.Parameter.Identifier.ValueText],
        ParenthesizedLambdaExpressionSyntax several => several.ParameterList.Parameters.Select(
            parameter => parameter.AttributeLists.Count == 0 ? parameter.Identifier.ValueText : parameter.ToString()),
        _ => [],
    };

    private static bool IsDisposable(INamedTypeSymbol type) =>
        type.AllInterfaces.Any(each => Operations.IsOf(each, "System.IDisposable") || Operations.IsOf(each, "System.IAsyncDisposable"));
}
