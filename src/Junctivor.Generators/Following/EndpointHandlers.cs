using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>
/// Finds the handlers of the endpoints that a program maps, and what they take with <c>[FromServices]</c> and its like, or without, where
/// nothing but a service is possible; and which wiring serves them.
/// </summary>
/// <param name="compilation">The source.</param>
/// <param name="cancellationToken">Ends it.</param>
internal sealed class EndpointHandlers(Compilation compilation, CancellationToken cancellationToken)
{
    private const string Routes = "Microsoft.AspNetCore.Routing.IEndpointRouteBuilder";
    private const string FromServices = "Microsoft.AspNetCore.Mvc.FromServicesAttribute";
    private const string FromKey = "FromKeyedServicesAttribute";
    private const string Framework = "Microsoft.";

    private readonly SourceMembers _members = new(compilation, cancellationToken);
    private IReadOnlyList<WrittenHandler>? _all;
    private HashSet<ITypeSymbol>? _ofHost;

    /// <summary>Whether the program has a web server that could have some.</summary>
    private bool IsWeb { get; } = compilation.GetTypeByMetadataName(Routes) is not null;

    /// <summary>All handlers of the source.</summary>
    public IReadOnlyList<WrittenHandler> All => _all ??= IsWeb ? [.. Calls("Map").Select(Read).OfType<WrittenHandler>()] : [];

    /// <summary>The same, without what the host itself may have: it is asked for what the wiring does not provide.</summary>
    public IReadOnlyList<WrittenHandler> OfWiringOnly =>
    [
        .. from handler in All
           let services = handler.Services.Where(service => IsOfUser(service.Type)).ToList()
           where services.Count + handler.Possible.Count > 0
           select handler with { Services = services },
    ];

    /// <summary>Where the containers are built that serve requests.</summary>
    public IReadOnlyCollection<SyntaxNode> Served =>
    [
        .. IsWeb ? Calls("UseJunctivor")
            .Where(call => Operations.IsOf(call.TargetMethod.ContainingType, "Junctivor.RequestScopes"))
            .Select(call => BuildOf(Operations.Argument(call, "container"), depth: 0))
            .OfType<SyntaxNode>() : [],
    ];

    /// <summary>The calls of methods of which the name begins so.</summary>
    private IEnumerable<IInvocationOperation> Calls(string name) =>
        Calls((_, access) => access.Name.Identifier.ValueText.StartsWith(name, StringComparison.Ordinal));

    private IEnumerable<IInvocationOperation> Calls(Func<InvocationExpressionSyntax, MemberAccessExpressionSyntax, bool> isWanted) =>
        compilation.SyntaxTrees
            .SelectMany(tree => tree.GetRoot(cancellationToken).DescendantNodes().OfType<InvocationExpressionSyntax>())
            .Where(call => call.Expression is MemberAccessExpressionSyntax access && isWanted(call, access))
            .Select(call => _members.OperationOf(call))
            .OfType<IInvocationOperation>();

    private WrittenHandler? Read(IInvocationOperation call)
    {
        if (!call.TargetMethod.IsExtensionMethod || !Operations.IsOf(call.TargetMethod.Parameters[0].Type, Routes))
        {
            return null;
        }

        if (Operations.IsOf(call.TargetMethod.ContainingType, "Junctivor.WiredEndpoints"))
        {
            return ContributionsTo(call) is { } contributions ? Written(call, [], [contributions]) : null;
        }

        return call.Arguments.Select(argument => HandlerIn(argument.Value)).FirstOrDefault(found => found is not null) is { } handler
            ? Written(
                call,
                [.. handler.Parameters.Where(IsService).Select(Written)],
                [.. handler.Parameters.Where(IsPossible).Select(Written)])
            : null;
    }

    /// <summary>The endpoints of modules, which are requested as a list; null for another call.</summary>
    private WrittenParameter? ContributionsTo(IInvocationOperation call) =>
        call.TargetMethod.Name == "MapWiredEndpoints"
        && compilation.GetTypeByMetadataName("Junctivor.IContributesEndpoints") is { } contributing
        && compilation.GetTypeByMetadataName("System.Collections.Generic.IReadOnlyList`1") is { } list
            ? new WrittenParameter("contributing", list.Construct(contributing), null, true, null)
            : null;

    private static WrittenHandler? Written(
        IInvocationOperation call, IReadOnlyList<WrittenParameter> services, IReadOnlyList<WrittenParameter> possible)
    {
        FileLinePositionSpan place = call.Syntax.GetLocation().GetLineSpan();
        string? pattern = Operations.ArgumentOrNull(call, "pattern")?.ConstantValue.Value as string;
        SimpleNameSyntax name = ((MemberAccessExpressionSyntax)((InvocationExpressionSyntax)call.Syntax).Expression).Name;
        return services.Count + possible.Count == 0
            ? null
            : new WrittenHandler(
                $"{call.TargetMethod.Name}({(pattern is null ? "…" : $"\"{pattern}\"")})",
                services,
                possible,
                new SourcePlace(place.Path, name.GetLocation().GetLineSpan().StartLinePosition.Line + 1),
                name.GetLocation());
    }

    private static IMethodSymbol? HandlerIn(IOperation argument) => Operations.WithoutConversions(argument) switch
    {
        IDelegateCreationOperation { Target: IAnonymousFunctionOperation function } => function.Symbol,
        IDelegateCreationOperation { Target: IMethodReferenceOperation method } => method.Method,
        _ => null,
    };

    private WrittenParameter Written(IParameterSymbol parameter)
    {
        WrittenParameter written = WrittenParameter.Of(parameter, compilation);
        return KeyOf(parameter) is { } key ? written with { Mark = key } : written;
    }

    /// <summary>What the host calls a key is a mark in the wiring.</summary>
    private static object? KeyOf(IParameterSymbol parameter) => parameter.GetAttributes()
        .Where(attribute => attribute.AttributeClass?.Name == FromKey && attribute.ConstructorArguments.Length == 1)
        .Select(attribute => attribute.ConstructorArguments[0].Value)
        .FirstOrDefault(key => key is string or ITypeSymbol);

    private static bool IsService(IParameterSymbol parameter) =>
        parameter.GetAttributes().Any(attribute => Operations.IsOf(attribute.AttributeClass, FromServices))
        || KeyOf(parameter) is not null
        || IsOnlyService(parameter);

    /// <summary>Whether it can be nothing else: no text becomes an interface or an abstract class that does not say how.</summary>
    private static bool IsOnlyService(IParameterSymbol parameter) =>
        parameter.GetAttributes().IsEmpty
        && (parameter.Type.TypeKind == TypeKind.Interface || parameter.Type.IsAbstract)
        && parameter.Type.GetAttributes().IsEmpty;

    /// <summary>Whether the wiring decides: a class of which the parameter says nothing.</summary>
    private static bool IsPossible(IParameterSymbol parameter) =>
        parameter.GetAttributes().IsEmpty
        && parameter.Type is INamedTypeSymbol { TypeKind: TypeKind.Class, IsAbstract: false, SpecialType: SpecialType.None };

    /// <summary>Whether only a wiring can provide it: it is no type of the framework, and the framework is told of it nowhere.</summary>
    private bool IsOfUser(ITypeSymbol type) =>
        type.ContainingAssembly is { Name: var assembly }
        && !assembly.StartsWith(Framework, StringComparison.Ordinal)
        && !assembly.StartsWith("System.", StringComparison.Ordinal)
        && !OfHost.Contains(type);

    /// <summary>Every type that is named in a call of an extension method of the framework: whatever that does with it.</summary>
    private HashSet<ITypeSymbol> OfHost => _ofHost ??= ReadOfHost();

    private HashSet<ITypeSymbol> ReadOfHost()
    {
        HashSet<ITypeSymbol> named = new(SymbolEqualityComparer.Default);
        foreach (IInvocationOperation call in Calls(NamesTypes).Where(IsOfFramework))
        {
            named.UnionWith(call.TargetMethod.TypeArguments);
            named.UnionWith(call.Arguments.Select(TypeIn).OfType<ITypeSymbol>());
        }

        return named;
    }

    /// <summary>By its text alone.</summary>
    private static bool NamesTypes(InvocationExpressionSyntax call, MemberAccessExpressionSyntax access) =>
        access.Name is GenericNameSyntax
        || call.ArgumentList.Arguments.Any(argument => argument.Expression is TypeOfExpressionSyntax or BaseObjectCreationExpressionSyntax);

    private static ITypeSymbol? TypeIn(IArgumentOperation argument) => Operations.WithoutConversions(argument.Value) switch
    {
        ITypeOfOperation type => type.TypeOperand,
        IObjectCreationOperation creation => creation.Type,
        _ => null,
    };

    private static bool IsOfFramework(IInvocationOperation call) =>
        call.TargetMethod.IsExtensionMethod && call.TargetMethod.ContainingAssembly.Name.StartsWith(Framework, StringComparison.Ordinal);

    /// <summary>The call that builds a container; null where it is not known.</summary>
    private SyntaxNode? BuildOf(IOperation container, int depth) => Operations.WithoutConversions(container) switch
    {
        IInvocationOperation { TargetMethod: { Name: "Build", ContainingType: var wiring } } build
            when Operations.IsOf(wiring, "Junctivor.Wiring") => build.Syntax,
        _ when depth > 2 => null,
        ILocalReferenceOperation local => BuildOf(local.Local, local, depth),
        IInvocationOperation { TargetMethod: { IsStatic: true } method } call => BuildOf(method, call, depth),
        _ => null,
    };

    private SyntaxNode? BuildOf(ISymbol member, IOperation use, int depth)
    {
        try
        {
            return BuildOf(_members.ValueOf(member.OriginalDefinition, Operations.LocationOf(use)), depth + 1);
        }
        catch (UnfollowableException)
        {
            return null;
        }
    }
}
