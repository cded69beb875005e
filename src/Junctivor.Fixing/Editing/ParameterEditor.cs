using Junctivor.Checks;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Changes a parameter of a constructor, the fields that keep it, and every use of it in the class.</summary>
internal static class ParameterEditor
{
    /// <exception cref="CannotEditException">The edit cannot be made.</exception>
    public static IEnumerable<SourceChange> ChangesOf(CSharpCompilation compilation, SourceEdit edit)
    {
        INamedTypeSymbol type = MetadataName.Find(compilation, edit.Type!);
        ParameterText text = new(edit.Text);
        (IParameterSymbol parameter, ParameterSyntax syntax) = Find(type, edit.Parameter!);
        string? former = ParameterText.WrapperOf(syntax.Type!);
        List<SourceChange> changes = [.. text.InPlaceOf(syntax)];
        if (text.Type == syntax.Type!.ToString())
        {
            return changes;
        }

        ParameterUses uses = ParameterUses.Of(compilation, type, parameter);
        changes.AddRange(uses.Declarations.Select(declared => SourceChange.Replace(declared, text.Type)));
        changes.AddRange((former, text.Wrapper) switch
        {
            var (was, now) when was == now => [],
            (not null, null) => DirectUses.ChangesOf(uses, former),
            ("Lazy", "Func") => DirectUses.Replace(uses, former, use => $"{use}()"),
            (_, "FreshScope") => FreshScopeUses.ChangesOf(uses, former, edit.State),
            (null, { } wrapper) => DeferredUses(uses, wrapper, parameter.Name),
            _ => throw new CannotEditException($"{parameter.Name} is a {former} already"),
        });
        return changes;
    }

    private static IEnumerable<SourceChange> DeferredUses(ParameterUses uses, string wrapper, string name)
    {
        bool isLazy = wrapper == "Lazy";
        foreach (ExpressionSyntax use in uses.Expressions)
        {
            if (isLazy && IsDuringConstruction(use))
            {
                throw new CannotEditException($"{name} is used during construction, where its Value is not there yet");
            }

            yield return SourceChange.Insert(use.SyntaxTree, use.Span.End, isLazy ? ".Value" : "()");
        }
    }

    private static bool IsDuringConstruction(ExpressionSyntax use) =>
        use.FirstAncestorOrSelf<AnonymousFunctionExpressionSyntax>() is null
        && (use.FirstAncestorOrSelf<ConstructorDeclarationSyntax>() is not null
            || use.FirstAncestorOrSelf<EqualsValueClauseSyntax>() is { Parent: PropertyDeclarationSyntax }
            || use.FirstAncestorOrSelf<FieldDeclarationSyntax>() is not null
            || use.FirstAncestorOrSelf<PrimaryConstructorBaseTypeSyntax>() is not null);

    private static (IParameterSymbol Symbol, ParameterSyntax Syntax) Find(INamedTypeSymbol type, string name)
    {
        List<(IParameterSymbol Symbol, ParameterSyntax Syntax)> found = [];
        foreach (IParameterSymbol parameter in type.InstanceConstructors.SelectMany(each => each.Parameters)
            .Where(each => each.Name == name))
        {
            if (parameter.DeclaringSyntaxReferences.FirstOrDefault()?.GetSyntax() is ParameterSyntax { Type: not null } syntax)
            {
                found.Add((parameter, syntax));
            }
        }

        List<(IParameterSymbol Symbol, ParameterSyntax Syntax)> meant = found.Count < 2
            ? found
            : [.. found.Where(each => IsInjected(each.Symbol))];
        return meant is [(IParameterSymbol, ParameterSyntax) only] ? only
            : throw new CannotEditException($"{type.Name} has no single constructor with a parameter {name}");
    }

    private static bool IsInjected(IParameterSymbol parameter) =>
        parameter.ContainingSymbol.GetAttributes().Any(attribute => attribute.AttributeClass?.Name == "InjectAttribute");
}
