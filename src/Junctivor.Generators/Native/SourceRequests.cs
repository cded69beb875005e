using Junctivor.Generators.Following;
using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Native;

/// <summary>Finds the requests in the source, such as <c>scope.Resolve&lt;T&gt;()</c>, of which the type is known.</summary>
internal static class SourceRequests
{
    private const string Handler = "Junctivor.IMessageHandler`1";

    public static IEnumerable<SourceRequest> In(Compilation compilation, CancellationToken cancellationToken)
    {
        SourceMembers members = new(new SourceModels(compilation), cancellationToken);
        INamedTypeSymbol? handler = compilation.GetTypeByMetadataName(Handler);
        return compilation.SyntaxTrees
            .SelectMany(tree => tree.GetRoot(cancellationToken).DescendantNodes().OfType<InvocationExpressionSyntax>())
            .Where(MayRequest)
            .Select(call => members.OperationOf(call))
            .OfType<IInvocationOperation>()
            .Where(call => call.TargetMethod.ContainingAssembly?.Name == "Junctivor" && !Operations.IsRegistration(call.Type))
            .SelectMany(call => RequestsOf(call, handler))
            .Where(request => !SymbolType.IsOpenType(request.Type));
    }

    /// <summary>By its text alone.</summary>
    private static bool MayRequest(InvocationExpressionSyntax call) =>
        call.Expression is MemberAccessExpressionSyntax { Name: GenericNameSyntax }
        || call.Expression is MemberBindingExpressionSyntax { Name: GenericNameSyntax }
        || call.ArgumentList.Arguments.Any(argument =>
            argument.Expression is TypeOfExpressionSyntax or AnonymousFunctionExpressionSyntax or IdentifierNameSyntax);

    private static IEnumerable<SourceRequest> RequestsOf(IInvocationOperation call, INamedTypeSymbol? handler)
    {
        IMethodSymbol method = call.TargetMethod;
        if (method.Name is "Construct" or "FillProperties")
        {
            return TypesOf(call).Select(type => new SourceRequest(type, null, IsConstructed: true));
        }

        if (method is { Name: "ResolveMarked", TypeArguments: [var service, var mark] })
        {
            return [new SourceRequest(service, mark, IsConstructed: false)];
        }

        object? named = call.Arguments.Where(argument => argument.Parameter?.Name == "mark").Select(ConstantOf).FirstOrDefault();
        IEnumerable<ITypeSymbol> messages = handler is null ? [] : method.TypeArguments.Concat(method.ContainingType.TypeArguments);
        return TypesOf(call)
            .Concat(messages.Select(message => handler!.Construct(message)))
            .Select(type => new SourceRequest(type, named, IsConstructed: false));
    }

    /// <summary>The type arguments; where there are none, what is named with <c>typeof</c>.</summary>
    private static IEnumerable<ITypeSymbol> TypesOf(IInvocationOperation call) => call.TargetMethod.Arity > 0
        ? call.TargetMethod.TypeArguments
        : call.Arguments.Where(argument => argument.Parameter?.Name != "mark").Select(ConstantOf).OfType<ITypeSymbol>();

    private static object? ConstantOf(IArgumentOperation argument) => Operations.WithoutConversions(argument.Value) switch
    {
        ITypeOfOperation type => type.TypeOperand,
        var other => other.ConstantValue is { HasValue: true, Value: string text } ? text : null,
    };
}
