using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>
/// Finds the handlers of the endpoints that a program maps, and what they take with <c>[FromServices]</c> and its like, or without, where
/// nothing but a service is possible; and which wiring serves them. Also what <c>RunWiredAsync</c> resolves.
/// </summary>
/// <param name="models">The source.</param>
/// <param name="cancellationToken">Ends it.</param>
internal sealed class EndpointHandlers(SourceModels models, CancellationToken cancellationToken)
{
    private const string Routes = "Microsoft.AspNetCore.Routing.IEndpointRouteBuilder";
    private const string Contributing = "Junctivor.IContributesEndpoints";

    private readonly Compilation _compilation = models.Compilation;
    private readonly SourceMembers _members = new(models, cancellationToken);
    private IReadOnlyList<WrittenHandler>? _all;
    private HostKnowledge? _host;
    private bool? _areContributionsMapped;
    private IReadOnlyList<SyntaxNode>? _served;
    private IReadOnlyList<(SyntaxNode Root, WrittenHandler Handler)>? _runs;

    /// <summary>What was read: all files, if any call may matter to the host.</summary>
    public SourceDependencies Dependencies
    {
        get
        {
            foreach (SyntaxTree file in _host is null && _all is null ? [] : _compilation.SyntaxTrees)
            {
                _members.Dependencies.Add(file);
            }

            return _members.Dependencies;
        }
    }

    /// <summary>Whether the program has a web server that could have some.</summary>
    private bool IsWeb { get; } = models.Compilation.GetTypeByMetadataName(Routes) is not null;

    /// <summary>All handlers of the source.</summary>
    public IReadOnlyList<WrittenHandler> All => _all ??= IsWeb ? [.. Calls("Map").Select(Read).OfType<WrittenHandler>()] : [];

    /// <summary>What code outside of a wiring requires of the container that is built from it, as far as that is certain.</summary>
    /// <param name="root">Where the container is built.</param>
    public IReadOnlyList<WrittenHandler> Of(SyntaxNode root) =>
        [.. Served.Contains(root) ? OfWiringOnly : [], .. Runs.Where(run => run.Root == root).Select(run => run.Handler)];

    private IReadOnlyList<(SyntaxNode Root, WrittenHandler Handler)> Runs => _runs ??=
    [
        .. from call in Calls("RunWiredAsync")
           where call.TargetMethod is { TypeArguments.Length: 1 } method && Operations.IsOf(method.ContainingType, "Junctivor.WiredProgram")
           let root = BuildOf(Operations.Argument(call, "container"), depth: 0)
           where root is not null
           select (root, Run(call, root)),
    ];

    /// <summary>The endpoints, as far as only the wiring can have what they take, and they are certain to be mapped.</summary>
    private IReadOnlyList<WrittenHandler> OfWiringOnly =>
    [
        .. from handler in All
           let certain = handler.Services.Where(service => IsCertain(handler, service)).ToList()
           let possible = handler.Possible.Concat(
               handler.Services.Where(service => !certain.Contains(service) && Host.IsOfUser(service.Type)))
           where certain.Count > 0 || possible.Any()
           select handler with { Services = certain, Possible = [.. possible] },
    ];

    /// <summary>Where the containers are built that serve requests.</summary>
    private IReadOnlyList<SyntaxNode> Served => _served ??=
    [
        .. IsWeb ? Calls("UseJunctivor")
            .Where(call => Operations.IsOf(call.TargetMethod.ContainingType, "Junctivor.RequestScopes"))
            .Select(call => BuildOf(Operations.Argument(call, "container"), depth: 0))
            .OfType<SyntaxNode>()
            .Distinct() : [],
    ];

    /// <summary>Of several containers, nobody can tell here which one serves an endpoint.</summary>
    private bool IsCertain(WrittenHandler handler, WrittenParameter service) =>
        handler.IsMapped && Served.Count == 1 && !Host.MayProvideAnything && Host.IsOfUser(service.Type);

    private HostKnowledge Host => _host ??= ReadHost();

    private HostKnowledge ReadHost()
    {
        HostKnowledge host = new(_compilation);
        foreach (IInvocationOperation call in Calls(host.IsCandidate))
        {
            host.Add(call);
        }

        return host;
    }

    /// <summary>The calls of methods of which the name begins so.</summary>
    private IEnumerable<IInvocationOperation> Calls(string name)
    {
        _members.Dependencies.Add(name);
        return Calls((_, access) => access.Name.Identifier.ValueText.StartsWith(name, StringComparison.Ordinal));
    }

    private IEnumerable<IInvocationOperation> Calls(Func<InvocationExpressionSyntax, MemberAccessExpressionSyntax, bool> isWanted) =>
        _compilation.SyntaxTrees
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
                [.. handler.Parameters.Where(each => HandlerParameters.IsService(each, call.TargetMethod)).Select(Written)],
                [
                    .. handler.Parameters.Where(each => !HandlerParameters.IsService(each, call.TargetMethod))
                        .Where(HandlerParameters.IsPossible)
                        .Select(Written),
                ])
            : null;
    }

    /// <summary>The endpoints of modules, which are resolved as a list; null for another call.</summary>
    private WrittenParameter? ContributionsTo(IInvocationOperation call) =>
        call.TargetMethod.Name == "MapWiredEndpoints"
        && _compilation.GetTypeByMetadataName(Contributing) is { } contributing
        && _compilation.GetTypeByMetadataName("System.Collections.Generic.IReadOnlyList`1") is { } list
            ? new WrittenParameter("contributing", list.Construct(contributing), null, true, null)
            : null;

    private WrittenHandler? Written(
        IInvocationOperation call, IReadOnlyList<WrittenParameter> services, IReadOnlyList<WrittenParameter> possible)
    {
        if (services.Count + possible.Count == 0)
        {
            return null;
        }

        string? pattern = Operations.ArgumentOrNull(call, "pattern")?.ConstantValue.Value as string;
        INamedTypeSymbol? contributor = ContributorOf(call.Syntax);
        return Handler(call, $"{call.TargetMethod.Name}({(pattern is null ? "…" : $"\"{pattern}\"")})", services, possible) with
        {
            Contributor = contributor,
            IsMapped = IsReached(call.Syntax, Served, []) && (contributor is null || AreContributionsMapped),
        };
    }

    /// <summary>Whether the endpoints of modules are mapped.</summary>
    private bool AreContributionsMapped => _areContributionsMapped ??=
        Calls("MapWiredEndpoints").Any(call => ContributionsTo(call) is not null && IsReached(call.Syntax, Served, []));

    /// <summary>What a program resolves that runs one service to its end.</summary>
    private WrittenHandler Run(IInvocationOperation call, SyntaxNode root)
    {
        ITypeSymbol service = call.TargetMethod.TypeArguments[0];
        string name = HandlerIn(Operations.Argument(call, "work"))?.Parameters.FirstOrDefault()?.Name ?? "work";
        WrittenParameter required = new(name, service, null, IsOptional: false, null);
        bool isReached = IsReached(call.Syntax, [root], []);
        return Handler(
            call, $"RunWiredAsync<{SymbolNames.Short(service)}>()", isReached ? [required] : [], isReached ? [] : [required]);
    }

    private static WrittenHandler Handler(
        IInvocationOperation call, string label, IReadOnlyList<WrittenParameter> services, IReadOnlyList<WrittenParameter> possible)
    {
        Location name = ((MemberAccessExpressionSyntax)((InvocationExpressionSyntax)call.Syntax).Expression).Name.GetLocation();
        FileLinePositionSpan place = name.GetLineSpan();
        return new WrittenHandler(label, services, possible, new SourcePlace(place.Path, place.StartLinePosition.Line + 1), name);
    }

    /// <summary>The class whose endpoints these are: they are mapped if the wiring has it. Null for others.</summary>
    private INamedTypeSymbol? ContributorOf(SyntaxNode call) =>
        call.FirstAncestorOrSelf<TypeDeclarationSyntax>() is { } around
        && _members.DeclaredBy(around) is INamedTypeSymbol type
        && type.AllInterfaces.Any(each => Operations.IsOf(each, Contributing))
            ? type
            : null;

    /// <summary>Whether a call is made whenever the program starts: it stands in no branch, loop or lambda, and neither do the calls of the
    /// method around it.</summary>
    private bool IsReached(SyntaxNode call, IReadOnlyList<SyntaxNode> roots, HashSet<ISymbol> callers)
    {
        SyntaxNode? function = call.Ancestors().FirstOrDefault(node => IsBranch(node) || IsFunction(node));
        if (function is null or CompilationUnitSyntax)
        {
            return true;
        }

        return !IsBranch(function)
            && _members.DeclaredBy(function) is IMethodSymbol method
            && (IsStart(method, roots)
                || (callers.Add(method) && _members.Uses.Of(method)
                    .Any(use => use.Operation is IInvocationOperation && IsReached(use.Syntax, roots, callers))));
    }

    /// <summary>Whether the framework or the library calls a method, or it builds one of the containers itself.</summary>
    private bool IsStart(IMethodSymbol method, IReadOnlyList<SyntaxNode> roots) =>
        SymbolEqualityComparer.Default.Equals(_compilation.GetEntryPoint(cancellationToken), method)
        || method.ContainingType.AllInterfaces
            .Where(each => Operations.IsOf(each, Contributing))
            .SelectMany(each => each.GetMembers())
            .Any(each => SymbolEqualityComparer.Default.Equals(method.ContainingType.FindImplementationForInterfaceMember(each), method))
        || _members.DeclarationOf(method) is { } declaration && roots.Any(declaration.Contains);

    private static bool IsFunction(SyntaxNode node) =>
        node is LocalFunctionStatementSyntax or BaseMethodDeclarationSyntax or CompilationUnitSyntax;

    private static bool IsBranch(SyntaxNode node) => node is AnonymousFunctionExpressionSyntax or IfStatementSyntax or ElseClauseSyntax
        or SwitchSectionSyntax or SwitchExpressionArmSyntax or ConditionalExpressionSyntax or CatchClauseSyntax
        or CommonForEachStatementSyntax or ForStatementSyntax or WhileStatementSyntax or ConditionalAccessExpressionSyntax
        or AccessorDeclarationSyntax or BasePropertyDeclarationSyntax or BaseFieldDeclarationSyntax;

    private static IMethodSymbol? HandlerIn(IOperation argument) => Operations.WithoutConversions(argument) switch
    {
        IDelegateCreationOperation { Target: IAnonymousFunctionOperation function } => function.Symbol,
        IDelegateCreationOperation { Target: IMethodReferenceOperation method } => method.Method,
        _ => null,
    };

    private WrittenParameter Written(IParameterSymbol parameter)
    {
        WrittenParameter written = WrittenParameter.Of(parameter, _compilation);
        return HandlerParameters.KeyOf(parameter) is { } key ? written with { Mark = key } : written;
    }

    /// <summary>The call that builds a container; null if it is not known.</summary>
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
