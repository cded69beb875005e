using System.Runtime.CompilerServices;
using System.Text;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Generators.Checking;

/// <summary>
/// What a file declares, by its text alone. Types, with all that decides what a name in another file means, are apart from members: where
/// only members differ, code in other files that names none of them means the same as before.
/// </summary>
internal sealed class FileDeclarations
{
    private static readonly ConditionalWeakTable<SyntaxTree, FileDeclarations> Known = new();

    /// <summary>Members that code uses without their names.</summary>
    private static readonly HashSet<string> UsedUnnamed =
    [
        "Add", "Create", "Current", "Deconstruct", "Dispose", "DisposeAsync", "GetAsyncEnumerator", "GetAwaiter", "GetEnumerator",
        "GetPinnableReference", "GetResult", "IsCompleted", "MoveNext", "MoveNextAsync",
    ];

    private readonly StringBuilder _written = new();
    private readonly HashSet<DeclaredMember> _members = [];
    private readonly string _types;

    private FileDeclarations(CompilationUnitSyntax file)
    {
        for (DirectiveTriviaSyntax? directive = file.GetFirstDirective(); directive is not null; directive = directive.GetNextDirective())
        {
            Write(directive is NullableDirectiveTriviaSyntax ? directive : null);
        }

        WriteAll(file.Externs);
        WriteAll(file.Usings);
        foreach (AttributeListSyntax attributes in file.AttributeLists)
        {
            Write(attributes.Attributes.All(IsOfGenerator) ? null : attributes);
        }

        Read(file.Members, "");
        _types = _written.ToString();
    }

    public static FileDeclarations Of(SyntaxTree tree) =>
        Known.GetValue(tree, static each => new FileDeclarations((CompilationUnitSyntax)each.GetRoot()));

    /// <summary>The members that differ from those of the file in another state; null if more than members differs.</summary>
    public IReadOnlyCollection<DeclaredMember>? MembersChangedIn(FileDeclarations other)
    {
        if (_types != other._types)
        {
            return null;
        }

        HashSet<DeclaredMember> changed = [.. _members];
        changed.SymmetricExceptWith(other._members);
        return changed.Any(member => !member.IsConstructor && UsedUnnamed.Contains(member.Name)) ? null : changed;
    }

    /// <summary>Whether the generator of this package writes an attribute, for other projects: it differs after each edit of a
    /// wiring.</summary>
    private static bool IsOfGenerator(AttributeSyntax attribute) =>
        attribute.Name is QualifiedNameSyntax { Right.Identifier.ValueText: "FollowedWiring" };

    private void Read(SyntaxList<MemberDeclarationSyntax> members, string type)
    {
        foreach (MemberDeclarationSyntax member in members)
        {
            Read(member, type);
        }
    }

    private void Read(MemberDeclarationSyntax member, string type)
    {
        switch (member)
        {
            case GlobalStatementSyntax:
                break;
            case BaseNamespaceDeclarationSyntax around:
                Write(around.Name);
                WriteAll(around.Externs);
                WriteAll(around.Usings);
                Read(around.Members, $"{type}{around.Name}.");
                _written.Append('}');
                break;
            case TypeDeclarationSyntax { RawKind: not (int)SyntaxKind.ExtensionBlockDeclaration } declared:
                ReadType(declared, $"{type}{declared.Identifier.ValueText}`{declared.TypeParameterList?.Parameters.Count}.");
                break;
            case BaseFieldDeclarationSyntax field when !field.Modifiers.Any(SyntaxKind.ConstKeyword):
                foreach (VariableDeclaratorSyntax variable in field.Declaration.Variables)
                {
                    Add(type, variable.Identifier.ValueText, field.AttributeLists, field.Modifiers, field.Declaration.Type);
                }

                break;
            case MethodDeclarationSyntax method:
                Add(
                    type,
                    method.Identifier.ValueText,
                    method.AttributeLists,
                    method.Modifiers,
                    method.ReturnType,
                    method.ExplicitInterfaceSpecifier,
                    method.TypeParameterList,
                    method.ParameterList,
                    method.ConstraintClauses,
                    (method.Body ?? (SyntaxNode?)method.ExpressionBody) is null);
                break;
            case PropertyDeclarationSyntax property:
                Add(
                    type,
                    property.Identifier.ValueText,
                    property.AttributeLists,
                    property.Modifiers,
                    property.Type,
                    property.ExplicitInterfaceSpecifier,
                    string.Join(' ', property.AccessorList?.Accessors.Select(Header) ?? []),
                    property.Initializer is null);
                break;
            case ConstructorDeclarationSyntax constructor:
                AddConstructor(type, constructor.Identifier, constructor.AttributeLists, constructor.Modifiers, constructor.ParameterList);
                break;
            default:
                Write(member);
                break;
        }
    }

    private void ReadType(TypeDeclarationSyntax declared, string type)
    {
        WriteAll(declared.AttributeLists);
        _written.Append(declared.Modifiers).Append(' ').Append(declared.Keyword).Append(' ').Append(type);
        Write(declared.TypeParameterList);
        foreach (BaseTypeSyntax parent in declared.BaseList?.Types ?? [])
        {
            Write(parent.Type);
        }

        _written.Append(declared.ConstraintClauses).Append('{');
        if (declared.ParameterList is { } parameters)
        {
            AddConstructor(type, declared.Identifier, parameters);
            foreach (ParameterSyntax parameter in declared is RecordDeclarationSyntax ? parameters.Parameters : [])
            {
                Add(type, parameter.Identifier.ValueText, parameter);
            }
        }

        Read(declared.Members, type);
        _written.Append('}');
    }

    private static string Header(AccessorDeclarationSyntax accessor) =>
        $"{accessor.AttributeLists}{accessor.Modifiers}{accessor.Keyword}{(accessor.Body ?? (SyntaxNode?)accessor.ExpressionBody) is null}";

    private void Add(string type, string name, params IEnumerable<object?> parts) =>
        _members.Add(new DeclaredMember(type, name, string.Join(' ', parts), IsConstructor: false));

    private void AddConstructor(string type, SyntaxToken name, params IEnumerable<object?> parts) =>
        _members.Add(new DeclaredMember(type, name.ValueText, string.Join(' ', parts), IsConstructor: true));

    private void Write(SyntaxNode? node) => _written.Append(node?.ToString()).Append('\n');

    private void WriteAll<T>(SyntaxList<T> nodes)
        where T : SyntaxNode => _written.Append(nodes.ToString()).Append('\n');
}
