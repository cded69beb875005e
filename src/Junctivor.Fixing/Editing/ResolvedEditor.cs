using Junctivor.Checks;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Lets a class take as parameters what it resolves from a scope or container.</summary>
internal static class ResolvedEditor
{
    /// <exception cref="CannotEditException">The class does something else with it, or has no primary constructor.</exception>
    public static IEnumerable<SourceChange> ChangesOf(CSharpCompilation compilation, SourceEdit edit)
    {
        INamedTypeSymbol type = MetadataName.Find(compilation, edit.Type!);
        IParameterSymbol parameter = type.InstanceConstructors.SelectMany(constructor => constructor.Parameters)
            .First(each => each.Name == edit.Parameter);
        if (parameter.DeclaringSyntaxReferences[0].GetSyntax() is not ParameterSyntax { Parent.Parent: ClassDeclarationSyntax } syntax)
        {
            throw new CannotEditException($"{type.Name} has no primary constructor");
        }

        ParameterUses uses = ParameterUses.Of(compilation, type, parameter);
        Dictionary<string, string> names = [];
        List<SourceChange> changes = [];
        foreach (ExpressionSyntax use in uses.Expressions)
        {
            if (use.Parent is not MemberAccessExpressionSyntax
                {
                    Name: GenericNameSyntax { Identifier.ValueText: "Resolve", TypeArgumentList.Arguments: [TypeSyntax service] },
                    Parent: InvocationExpressionSyntax { ArgumentList.Arguments.Count: 0 } call,
                })
            {
                throw new CannotEditException($"{type.Name} does more with {parameter.Name} than to resolve a service of a known type");
            }

            if (!names.TryGetValue(service.ToString(), out string? name))
            {
                name = NameFor(service, type);
                names.Add(service.ToString(), name);
            }

            changes.Add(SourceChange.Replace(call, name));
        }

        if (names.Count == 0 || uses.Declarations.Count > 0)
        {
            throw new CannotEditException($"{type.Name} keeps {parameter.Name}");
        }

        changes.Add(SourceChange.Replace(syntax, string.Join(", ", names.Select(each => $"{each.Key} {each.Value}"))));
        return changes;
    }

    /// <summary>The name of the type as a parameter bears it: <c>paperLedger</c> for <c>PaperLedger</c> or <c>IPaperLedger</c>.</summary>
    private static string NameFor(TypeSyntax service, INamedTypeSymbol type)
    {
        string name = service.DescendantNodesAndSelf().OfType<SimpleNameSyntax>().First().Identifier.ValueText;
        string word = name.Length > 2 && name[0] == 'I' && char.IsUpper(name[1]) ? name[1..] : name;
        string parameter = char.ToLowerInvariant(word[0]) + word[1..];
        return type.InstanceConstructors.Any(constructor => constructor.Parameters.Any(each => each.Name == parameter))
            ? throw new CannotEditException($"{parameter} is another parameter of {type.Name}")
            : parameter;
    }
}
