using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Mending.Editing;

/// <summary>Lets a class use a service inside <c>Run</c> or <c>RunAsync</c> of its fresh scope: one scope for each method that uses
/// it.</summary>
internal sealed class FreshScopeUses
{
    private const string Name = "fresh";

    private readonly ParameterUses _uses;
    private readonly string? _former;
    private readonly List<SourceChange> _changes = [];

    private FreshScopeUses(ParameterUses uses, string? former)
    {
        _uses = uses;
        _former = former;
    }

    /// <param name="uses">The uses.</param>
    /// <param name="former">What deferred the service until now; null where nothing did.</param>
    /// <exception cref="CannotEditException">A use would leave its scope, or two methods that call each other would get two.</exception>
    public static IEnumerable<SourceChange> ChangesOf(ParameterUses uses, string? former)
    {
        FreshScopeUses changing = new(uses, former);
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

        return changing._changes;
    }

    /// <summary>The method, accessor or initializer that an expression stands in.</summary>
    private static SyntaxNode HomeOf(ExpressionSyntax use) => use.AncestorsAndSelf().First(node => node
        is BaseMethodDeclarationSyntax or AccessorDeclarationSyntax or BasePropertyDeclarationSyntax or BaseFieldDeclarationSyntax
            or BaseTypeDeclarationSyntax);

    private static string NameOf(SyntaxNode home) => home switch
    {
        MethodDeclarationSyntax method => method.Identifier.ValueText,
        PropertyDeclarationSyntax property => property.Identifier.ValueText,
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
        bool isConstruction = home is ConstructorDeclarationSyntax or BaseFieldDeclarationSyntax or BaseTypeDeclarationSyntax
            || home is PropertyDeclarationSyntax { Initializer: not null };
        if (isConstruction || (uses.Count == 1 && !IsInLoop(uses[0], home)))
        {
            List<ExpressionSyntax?> alone = [.. uses.Select(AloneOf)];
            if (alone.TrueForAll(each => each is not null))
            {
                foreach ((ExpressionSyntax use, ExpressionSyntax? whole) in uses.Zip(alone))
                {
                    RunAlone(use, whole!);
                }

                return;
            }
        }

        if (isConstruction)
        {
            throw new CannotEditException($"{uses[0]} is kept beyond the constructor");
        }

        RunWhole(home, uses);
    }

    /// <summary>Whether it is used again and again; what a <c>foreach</c> goes through is computed once.</summary>
    private static bool IsInLoop(SyntaxNode use, SyntaxNode home) => use.Ancestors()
        .TakeWhile(node => node != home)
        .Any(node => node is ForStatementSyntax or WhileStatementSyntax or DoStatementSyntax
            || (node is CommonForEachStatementSyntax each && !each.Expression.Span.Contains(use.Span)));

    /// <summary>The service itself, where a use says <c>ledger()</c> or <c>ledger.Value</c>.</summary>
    private ExpressionSyntax ServiceOf(ExpressionSyntax use) => (_former, use.Parent) switch
    {
        (null, _) => use,
        ("Func", InvocationExpressionSyntax call) when call.Expression == use => call,
        ("Lazy", MemberAccessExpressionSyntax { Name.Identifier.ValueText: "Value" } value) when value.Expression == use => value,
        _ => throw new CannotEditException($"{use} is handed on as a {_former}"),
    };

    /// <summary>The expression around a use that can run in a scope of its own; null where more than that belongs together.</summary>
    private ExpressionSyntax? AloneOf(ExpressionSyntax use)
    {
        ExpressionSyntax service = ServiceOf(use);
        SemanticModel model = _uses.ModelOf(use);
        ExpressionSyntax whole = service;
        while (!(whole != service && IsTask(model.GetTypeInfo(whole).Type)) && LongerThan(whole) is { } longer)
        {
            whole = longer;
        }

        whole = whole.Parent switch
        {
            AssignmentExpressionSyntax assignment when assignment.Left == whole => assignment,
            PostfixUnaryExpressionSyntax { RawKind: not (int)SyntaxKind.SuppressNullableWarningExpression } counted => counted,
            PrefixUnaryExpressionSyntax
            {
                RawKind: (int)SyntaxKind.PreIncrementExpression
                or (int)SyntaxKind.PreDecrementExpression
            } counted =>
                counted,
            _ => whole,
        };
        bool isMethod = model.GetSymbolInfo(whole).Symbol is IMethodSymbol && whole is not InvocationExpressionSyntax;
        bool waitsInside = whole.DescendantNodes().OfType<AwaitExpressionSyntax>().Any();
        return whole == service || isMethod || waitsInside || IsReadLater(model.GetTypeInfo(whole).Type) ? null : whole;
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

    private static bool IsTask(ITypeSymbol? type) => type is INamedTypeSymbol { Name: "Task" or "ValueTask" } named
        && named.ContainingNamespace.ToDisplayString() == "System.Threading.Tasks";

    /// <summary>Whether it is read, or must be disposed, after the call that returned it.</summary>
    private static bool IsReadLater(ITypeSymbol? type) => ResultOf(type) is { } result
        && (result.Name is "IEnumerable" or "IQueryable" or "IAsyncEnumerable" or "IEnumerator"
            || result.Name is "IDisposable" or "IAsyncDisposable"
            || result.AllInterfaces.Any(each => each.Name is "IDisposable" or "IAsyncDisposable" or "IQueryable" or "IAsyncEnumerable"));

    /// <summary>What is there once a call is awaited; null for a task without a result.</summary>
    private static ITypeSymbol? ResultOf(ITypeSymbol? type) =>
        type is INamedTypeSymbol task && IsTask(task) ? task.TypeArguments.FirstOrDefault() : type;

    private void RunAlone(ExpressionSyntax use, ExpressionSyntax whole)
    {
        ExpressionSyntax service = ServiceOf(use);
        string run = IsTask(_uses.ModelOf(use).GetTypeInfo(whole).Type) ? "RunAsync" : "Run";
        _changes.Add(SourceChange.Insert(use.SyntaxTree, whole.SpanStart, $"{use}.{run}({Name} => "));
        _changes.Add(SourceChange.Replace(service, Name));
        _changes.Add(SourceChange.Insert(use.SyntaxTree, whole.Span.End, ")"));
    }

    /// <summary>The whole body, in one scope.</summary>
    private void RunWhole(SyntaxNode home, List<ExpressionSyntax> uses)
    {
        SemanticModel model = _uses.ModelOf(home);
        (IMethodSymbol? symbol, BlockSyntax? block, ArrowExpressionClauseSyntax? arrow) = BodyOf(model, home);
        if (symbol is null || home.DescendantNodes().OfType<YieldStatementSyntax>().Any() || IsReadLater(symbol.ReturnType))
        {
            throw new CannotEditException($"what {NameOf(home)} gives is read after its scope was disposed");
        }

        if (uses.FirstOrDefault(
            use => ServiceOf(use).Parent is EqualsValueClauseSyntax { Parent.Parent.Parent: LocalDeclarationStatementSyntax local }
            && local.UsingKeyword.IsKind(SyntaxKind.UsingKeyword)) is { } disposed)
        {
            throw new CannotEditException($"{NameOf(home)} disposes of {disposed} itself");
        }

        if (uses.FirstOrDefault(use => IsHandedOn(model, ServiceOf(use))) is { } escaping)
        {
            throw new CannotEditException($"{NameOf(home)} hands on {escaping} itself, beyond the end of its scope");
        }

        if (uses.FirstOrDefault(use => IsUsedLater(model, ServiceOf(use), home)) is { } later)
        {
            throw new CannotEditException($"{NameOf(home)} uses {later} in a function, which may run after the end of its scope");
        }

        bool returnsTask = IsTask(symbol.ReturnType);
        bool hasResult = symbol.IsAsync
            ? symbol.ReturnType is INamedTypeSymbol { TypeArguments.Length: 1 }
            : !symbol.ReturnsVoid;
        string start = (symbol.IsAsync ? "await " : "")
            + $"{uses[0]}.{(symbol.IsAsync || returnsTask ? "RunAsync" : "Run")}({(symbol.IsAsync ? "async " : "")}{Name} =>";
        if (arrow is not null)
        {
            _changes.Add(SourceChange.Insert(home.SyntaxTree, arrow.Expression.SpanStart, $"{start} "));
            _changes.Add(SourceChange.Insert(home.SyntaxTree, arrow.Expression.Span.End, ")"));
        }
        else
        {
            Enclose(block!, (hasResult ? "return " : "") + start);
        }

        _changes.AddRange(uses.Select(use => SourceChange.Replace(ServiceOf(use), Name)));
    }

    /// <summary>Whether the service itself is returned, or put where it outlives the method.</summary>
    private static bool IsHandedOn(SemanticModel model, ExpressionSyntax service) => service.Parent switch
    {
        ReturnStatementSyntax or ArrowExpressionClauseSyntax or YieldStatementSyntax => true,
        AssignmentExpressionSyntax assignment when assignment.Right == service =>
            model.GetSymbolInfo(assignment.Left).Symbol is not ILocalSymbol,
        _ => false,
    };

    /// <summary>Whether a method of the service is kept as a delegate, or the service is used in a function within the method.</summary>
    private static bool IsUsedLater(SemanticModel model, ExpressionSyntax service, SyntaxNode home) =>
        (service.Parent is MemberAccessExpressionSyntax access && access.Expression == service
            && model.GetSymbolInfo(access).Symbol is IMethodSymbol
            && access.Parent is not InvocationExpressionSyntax)
        || service.Ancestors()
            .TakeWhile(node => node != home)
            .Any(node => node is AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax);

    private static (IMethodSymbol?, BlockSyntax?, ArrowExpressionClauseSyntax?) BodyOf(SemanticModel model, SyntaxNode home) => home switch
    {
        BaseMethodDeclarationSyntax method => (model.GetDeclaredSymbol(method), method.Body, method.ExpressionBody),
        AccessorDeclarationSyntax accessor => (model.GetDeclaredSymbol(accessor), accessor.Body, accessor.ExpressionBody),
        PropertyDeclarationSyntax property => (model.GetDeclaredSymbol(property)?.GetMethod, null, property.ExpressionBody),
        _ => (null, null, null),
    };

    private void Enclose(BlockSyntax block, string start)
    {
        SyntaxTree tree = block.SyntaxTree;
        int closing = block.CloseBraceToken.SpanStart;
        if (!Lines.IsFirst(tree, closing))
        {
            _changes.Add(SourceChange.Insert(tree, block.OpenBraceToken.Span.End, $" {start} {{"));
            _changes.Add(SourceChange.Insert(tree, closing, "}); "));
            return;
        }

        string newLine = Lines.BreakOf(tree);
        string indent = Lines.IndentAt(tree, closing) + Lines.Indent;
        int first = Lines.NumberOf(tree, block.OpenBraceToken.SpanStart);
        int last = Lines.NumberOf(tree, closing);
        _changes.Add(SourceChange.Insert(tree, block.OpenBraceToken.Span.End, $"{newLine}{indent}{start}{newLine}{indent}{{"));
        for (int line = first; line < last - 1; line++)
        {
            int position = tree.GetText().Lines[line].Start;
            if (!string.IsNullOrWhiteSpace(tree.GetText().Lines[line].ToString()) && !IsWithinText(block, position))
            {
                _changes.Add(SourceChange.Insert(tree, position, Lines.Indent));
            }
        }

        _changes.Add(SourceChange.Insert(tree, tree.GetText().Lines[last - 1].Start, $"{indent}}});{newLine}"));
    }

    /// <summary>Whether a line starts within a text of several lines, which must stay as it is.</summary>
    private static bool IsWithinText(BlockSyntax block, int position) =>
        block.FindToken(position) is var token && token.SpanStart < position && token.Span.End > position;
}
