using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>
/// What the host of a web server may provide itself, as far as the source tells: types of the framework, and types that the framework is
/// told of. If a package or another project is given what the host is set up with, the host may provide anything.
/// </summary>
internal sealed class HostKnowledge
{
    private const string Framework = "Microsoft.";

    private static readonly string[] SetUp = ["Microsoft.AspNetCore.Builder.WebApplicationBuilder", "Microsoft.Extensions.Hosting.IHostBuilder",
        "Microsoft.Extensions.Hosting.IHostApplicationBuilder", "Microsoft.AspNetCore.Hosting.IWebHostBuilder"];

    private readonly Compilation _compilation;

    /// <summary>The types that a host is set up with.</summary>
    private readonly HashSet<ITypeSymbol> _setUp = new(SymbolEqualityComparer.Default);

    /// <summary>The types that the framework is told of.</summary>
    private readonly HashSet<ITypeSymbol> _named = new(SymbolEqualityComparer.Default);

    private HashSet<string>? _foreign;

    public HostKnowledge(Compilation compilation)
    {
        _compilation = compilation;
        foreach (INamedTypeSymbol type in SetUp.Select(compilation.GetTypeByMetadataName).OfType<INamedTypeSymbol>())
        {
            _setUp.Add(type);
            _setUp.UnionWith(type.GetMembers("Services").OfType<IPropertySymbol>().Select(services => services.Type));
        }
    }

    /// <summary>Whether a package or another project adds to what the host provides.</summary>
    public bool MayProvideAnything { get; private set; }

    /// <summary>The methods of packages and other projects that are given what a host is set up with.</summary>
    private HashSet<string> Foreign => _foreign ??=
    [
        .. from assembly in _compilation.SourceModule.ReferencedAssemblySymbols
           where IsOfOthers(assembly)
           from type in AllTypes.In(assembly)
           where type is { IsStatic: true, DeclaredAccessibility: Accessibility.Public }
           from method in type.GetMembers().OfType<IMethodSymbol>()
           where IsGivenSetUp(method)
           select method.Name,
    ];

    /// <summary>Whether a call may matter, by its text alone.</summary>
    public bool IsCandidate(InvocationExpressionSyntax call, MemberAccessExpressionSyntax access) =>
        access.Name is GenericNameSyntax
        || Foreign.Contains(access.Name.Identifier.ValueText)
        || call.ArgumentList.Arguments.Any(argument => argument.Expression is TypeOfExpressionSyntax or BaseObjectCreationExpressionSyntax);

    /// <summary>Takes note of a call of the source.</summary>
    public void Add(IInvocationOperation call)
    {
        if (call.TargetMethod.IsExtensionMethod && IsOfFramework(call.TargetMethod.ContainingAssembly))
        {
            _named.UnionWith(call.TargetMethod.TypeArguments);
            _named.UnionWith(call.Arguments.Select(TypeIn).OfType<ITypeSymbol>());
        }
        else if (IsOfOthers(call.TargetMethod.ContainingAssembly) && IsGivenSetUp(call.TargetMethod))
        {
            MayProvideAnything = true;
        }
    }

    /// <summary>Whether only a wiring can provide it.</summary>
    public bool IsOfUser(ITypeSymbol type) =>
        type.ContainingAssembly is { } assembly && !IsOfFramework(assembly) && !Operations.IsOfPlatform(type) && !_named.Contains(type);

    private static ITypeSymbol? TypeIn(IArgumentOperation argument) => Operations.WithoutConversions(argument.Value) switch
    {
        ITypeOfOperation type => type.TypeOperand,
        IObjectCreationOperation creation => creation.Type,
        _ => null,
    };

    private static bool IsOfFramework(IAssemblySymbol assembly) => assembly.Name.StartsWith(Framework, StringComparison.Ordinal);

    /// <summary>Whether it is of neither .NET, nor the framework, nor ours, nor this source, which is read itself.</summary>
    private bool IsOfOthers(IAssemblySymbol? assembly) =>
        assembly is { Name: var name }
        && !SymbolEqualityComparer.Default.Equals(assembly, _compilation.Assembly)
        && !IsOfFramework(assembly)
        && !Operations.IsOfPlatform(assembly.GlobalNamespace)
        && name is not ("Junctivor" or "Junctivor.AspNetCore" or "Junctivor.Hosting" or "Junctivor.Reports" or "Junctivor.Testing");

    private bool IsGivenSetUp(IMethodSymbol method) =>
        method.Parameters.Any(parameter => _setUp.Contains(parameter.Type.OriginalDefinition))
        || method.TypeParameters.Any(parameter => parameter.ConstraintTypes.Any(constraint => _setUp.Contains(constraint)));
}
