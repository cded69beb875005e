using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Lets a class use a service inside <c>Run</c> or <c>RunAsync</c> of its fresh scope: one scope for each method that uses it,
/// or for each round of a loop that waits.</summary>
internal sealed class FreshScopeUses
{
    private const string Name = "fresh";

    private readonly ParameterUses _uses;
    private readonly string? _former;
    private readonly string? _state;
    private readonly List<SourceChange> _changes = [];
    private readonly List<string> _scopes = [];

    private FreshScopeUses(ParameterUses uses, string? former, string? state)
    {
        _uses = uses;
        _former = former;
        _state = state;
    }

    /// <param name="uses">The uses.</param>
    /// <param name="former">What deferred the service until now; null if nothing did.</param>
    /// <param name="state">What the service keeps from one call to the next; null if it keeps nothing.</param>
    /// <exception cref="CannotEditException">A use would leave its scope, or uses that share something would get two.</exception>
    public static IEnumerable<SourceChange> ChangesOf(ParameterUses uses, string? former, string? state)
    {
        FreshScopeUses changing = new(uses, former, state);
        List<IGrouping<SyntaxNode, ExpressionSyntax>> members = [.. uses.Expressions.GroupBy(HomeOf)];
        changing.RefuseCallsAmong(members.Select(member => member.Key));
        foreach (IGrouping<SyntaxNode, ExpressionSyntax> member in members)
        {
            if (member.Key.DescendantNodes().OfType<IdentifierNameSyntax>().Any(name => name.Identifier.ValueText == Name))
            {
                throw new CannotEditException($"'{Name}' is another name in {NameOf(member.Key)}");
            }

            changing.Change(member.Key, [.. member]);
        }

        return state is not null && changing._scopes.Count > 1
            ? throw new CannotEditException(
                $"the service keeps {state}, which {string.Join(" and ", changing._scopes.Distinct())} would not share any more")
            : changing._changes;
    }

    /// <summary>The method, accessor or initializer that an expression stands in.</summary>
    private static SyntaxNode HomeOf(ExpressionSyntax use) => use.AncestorsAndSelf().First(node => node
        is BaseMethodDeclarationSyntax or AccessorDeclarationSyntax or BasePropertyDeclarationSyntax or BaseFieldDeclarationSyntax
            or BaseTypeDeclarationSyntax);

    private static string NameOf(SyntaxNode home) => home switch
    {
        MethodDeclarationSyntax method => method.Identifier.ValueText,
        PropertyDeclarationSyntax property => property.Identifier.ValueText,
        AccessorDeclarationSyntax { Parent.Parent: PropertyDeclarationSyntax property } => property.Identifier.ValueText,
        ConstructorDeclarationSyntax => "the constructor",
        _ => "the class",
    };

    private void RefuseCallsAmong(IEnumerable<SyntaxNode> members)
    {
        HashSet<ISymbol> symbols = new(SymbolEqualityComparer.Default);
        List<SyntaxNode> all = [.. members];
        symbols.UnionWith(all.Select(member => _uses.ModelOf(member).GetDeclaredSymbol(member)).OfType<IMethodSymbol>());
        if (all.SelectMany(member => member.DescendantNodes().OfType<InvocationExpressionSyntax>())
            .Select(call => _uses.ModelOf(call).GetSymbolInfo(call).Symbol)
            .FirstOrDefault(symbol => symbol is not null && symbols.Contains(symbol)) is { } called)
        {
            throw new CannotEditException($"{called.Name} is called by another method that uses it too, and both must share one scope");
        }
    }

    private void Change(SyntaxNode home, List<ExpressionSyntax> uses)
    {
        if (IsConstruction(home))
        {
            foreach (ExpressionSyntax use in uses)
            {
                RunAlone(home, use, AloneOf(use) ?? throw new CannotEditException($"{use} is kept beyond the constructor"));
            }

            return;
        }

        SyntaxNode? loop = LoopAround(home, uses);
        if (uses is [ExpressionSyntax only] && !IsRepeated(only, loop ?? home) && AloneOf(only) is { } whole)
        {
            RunAlone(home, only, whole);
            return;
        }

        RunTogether(home, loop, uses);
    }

    private static bool IsConstruction(SyntaxNode home) =>
        home is ConstructorDeclarationSyntax or BaseFieldDeclarationSyntax or BaseTypeDeclarationSyntax
            or PropertyDeclarationSyntax { Initializer: not null };

    /// <summary>The innermost loop around all uses each of whose rounds waits; null if there is none.</summary>
    private static SyntaxNode? LoopAround(SyntaxNode home, List<ExpressionSyntax> uses)
    {
        List<SyntaxNode> loops = [.. uses.SelectMany(use => LoopsAround(use, home)).Distinct()];
        if (loops.FirstOrDefault(loop => WaitingLoop.Is(loop) is null) is not null)
        {
            throw new CannotEditException(
                $"{NameOf(home)} waits in a loop, and only you know whether each round is a unit of work of its own");
        }

        List<SyntaxNode> waiting = [.. loops.Where(loop => WaitingLoop.Is(loop) == true)];
        SyntaxNode? around = waiting
            .Where(loop => uses.All(use => LoopsAround(use, home).Contains(loop)))
            .OrderBy(loop => loop.Span.Length)
            .FirstOrDefault();
        return waiting.All(loop => loop == around || loop.Contains(around))
            ? around
            : throw new CannotEditException($"{NameOf(home)} uses it both within and around a loop that waits");
    }

    /// <summary>The loops that repeat a use; what a <c>foreach</c> goes through is computed once.</summary>
    private static IEnumerable<SyntaxNode> LoopsAround(SyntaxNode use, SyntaxNode home) => use.Ancestors()
        .TakeWhile(node => node != home)
        .Where(node => WaitingLoop.IsLoop(node)
            && !(node is CommonForEachStatementSyntax each && each.Expression.Span.Contains(use.Span))
            && !(node is ForStatementSyntax counted && (counted.Declaration?.Span.Contains(use.Span) == true
                || counted.Initializers.Any(start => start.Span.Contains(use.Span)))));

    /// <summary>Whether it is used again and again within a method, or within a round of a loop.</summary>
    private static bool IsRepeated(SyntaxNode use, SyntaxNode around) => LoopsAround(use, around).Any();

    /// <summary>The service itself, where a use says <c>ledger()</c> or <c>ledger.Value</c>.</summary>
    private ExpressionSyntax ServiceOf(ExpressionSyntax use) => (_former, use.Parent) switch
    {
        (null, _) => use,
        ("Func", InvocationExpressionSyntax call) when call.Expression == use => call,
        ("Lazy", MemberAccessExpressionSyntax { Name.Identifier.ValueText: "Value" } value) when value.Expression == use => value,
        _ => throw new CannotEditException($"{use} is handed on as a {_former}"),
    };

    /// <summary>The expression around a use that can run in a scope of its own; null if more than that belongs together.</summary>
    private ExpressionSyntax? AloneOf(ExpressionSyntax use)
    {
        ExpressionSyntax service = ServiceOf(use);
        SemanticModel model = _uses.ModelOf(use);
        ExpressionSyntax whole = service;
        while (!(whole != service && TaskTypes.IsTask(model.GetTypeInfo(whole).Type)) && LongerThan(whole) is { } longer)
        {
            whole = longer;
        }

        bool isChanged = whole.Parent is AssignmentExpressionSyntax assignment && assignment.Left == whole;
        bool isCounted = whole.Parent is PostfixUnaryExpressionSyntax
            or PrefixUnaryExpressionSyntax { RawKind: (int)SyntaxKind.PreIncrementExpression or (int)SyntaxKind.PreDecrementExpression };
        bool isMethod = model.GetSymbolInfo(whole).Symbol is IMethodSymbol && whole is not InvocationExpressionSyntax;
        bool declares = whole.DescendantNodes().Any(node => node is AwaitExpressionSyntax or DeclarationExpressionSyntax
            or SingleVariableDesignationSyntax or ArgumentSyntax { RefKindKeyword.RawKind: not 0 });
        return whole == service || isChanged || isCounted || isMethod || declares
            || TaskTypes.IsReadLater(model.GetTypeInfo(whole).Type)
                ? null
                : whole;
    }

    private static ExpressionSyntax? LongerThan(ExpressionSyntax part) => part.Parent switch
    {
        MemberAccessExpressionSyntax access when access.Expression == part => access,
        InvocationExpressionSyntax call when call.Expression == part => call,
        ElementAccessExpressionSyntax element when element.Expression == part => element,
        ConditionalAccessExpressionSyntax conditional when conditional.Expression == part => conditional,
        PostfixUnaryExpressionSyntax { RawKind: (int)SyntaxKind.SuppressNullableWarningExpression } sure => sure,
        _ => null,
    };

    private void RunAlone(SyntaxNode home, ExpressionSyntax use, ExpressionSyntax whole)
    {
        _scopes.Add(NameOf(home));
        ExpressionSyntax service = ServiceOf(use);
        string run = TaskTypes.IsTask(_uses.ModelOf(use).GetTypeInfo(whole).Type) ? "RunAsync" : "Run";
        _changes.Add(SourceChange.Insert(use.SyntaxTree, whole.SpanStart, $"{use}.{run}({Name} => "));
        _changes.Add(SourceChange.Replace(service, Name));
        _changes.Add(SourceChange.Insert(use.SyntaxTree, whole.Span.End, ")"));
    }

    /// <summary>All that a method does with the service, or each round of a loop in it, in one scope.</summary>
    private void RunTogether(SyntaxNode home, SyntaxNode? loop, List<ExpressionSyntax> uses)
    {
        SemanticModel model = _uses.ModelOf(home);
        ServiceEscapes escapes = new(model, home, NameOf(home));
        foreach (ExpressionSyntax use in uses)
        {
            escapes.Refuse(ServiceOf(use));
        }

        (IMethodSymbol? symbol, BlockSyntax? block, ArrowExpressionClauseSyntax? arrow) = BodyOf(model, home);
        if (symbol is null || home.DescendantNodes().OfType<YieldStatementSyntax>().Any()
            || (loop is null && TaskTypes.IsReadLater(symbol.ReturnType)))
        {
            throw new CannotEditException($"what {NameOf(home)} returns is read after its scope was disposed");
        }

        if (_former == "Func" && uses.Count > 1)
        {
            throw new CannotEditException($"{NameOf(home)} calls {uses[0]} more than once, and may need more than one instance");
        }

        if (symbol.Parameters.Any(parameter => parameter.RefKind != RefKind.None))
        {
            throw new CannotEditException($"{NameOf(home)} has a parameter by reference, which no lambda can use");
        }

        _scopes.Add(NameOf(home));
        if (arrow is not null)
        {
            bool awaits = arrow.DescendantNodes().OfType<AwaitExpressionSyntax>().Any();
            string start = StartOf(uses[0], awaits, !symbol.IsAsync && TaskTypes.IsTask(symbol.ReturnType));
            _changes.Add(SourceChange.Insert(home.SyntaxTree, arrow.Expression.SpanStart, $"{start} "));
            _changes.Add(SourceChange.Insert(home.SyntaxTree, arrow.Expression.Span.End, ")"));
        }
        else
        {
            BlockSyntax around = loop is null ? block!
                : WaitingLoop.BodyOf(loop) as BlockSyntax
                    ?? throw new CannotEditException($"the loop in {NameOf(home)} has no braces");
            ScopeRegion region = ScopeRegion.Around(model, around, loop is null, uses);
            bool hasResult = region.Returns && (symbol.IsAsync
                ? symbol.ReturnType is INamedTypeSymbol { TypeArguments.Length: 1 }
                : !symbol.ReturnsVoid);
            string start = StartOf(uses[0], region.Awaits, hasResult && !symbol.IsAsync && TaskTypes.IsTask(symbol.ReturnType));
            _changes.AddRange(region.Enclosed((hasResult ? "return " : "") + start));
        }

        _changes.AddRange(uses.Select(use => SourceChange.Replace(ServiceOf(use), Name)));
    }

    private static string StartOf(ExpressionSyntax use, bool awaits, bool returnsTask) => awaits
        ? $"await {use}.RunAsync(async {Name} =>"
        : $"{use}.{(returnsTask ? "RunAsync" : "Run")}({Name} =>";

    private static (IMethodSymbol?, BlockSyntax?, ArrowExpressionClauseSyntax?) BodyOf(SemanticModel model, SyntaxNode home) => home switch
    {
        BaseMethodDeclarationSyntax method => (model.GetDeclaredSymbol(method), method.Body, method.ExpressionBody),
        AccessorDeclarationSyntax accessor => (model.GetDeclaredSymbol(accessor), accessor.Body, accessor.ExpressionBody),
        PropertyDeclarationSyntax property => (model.GetDeclaredSymbol(property)?.GetMethod, null, property.ExpressionBody),
        _ => (null, null, null),
    };
}
