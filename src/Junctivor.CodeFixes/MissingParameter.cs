using Junctivor.Checks;
using Junctivor.Generators.Checking;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.CodeFixes;

/// <summary>Registers what a parameter requires and nobody registers: by the fixes of that fault, where the parameter stands.</summary>
internal static class MissingParameter
{
    public static IEnumerable<CodeAction> Offer(
        Project project, CSharpCompilation compilation, ParameterSyntax parameter, CancellationToken cancellationToken) =>
        compilation.GetSemanticModel(parameter.SyntaxTree).GetDeclaredSymbol(parameter, cancellationToken) is
        { ContainingSymbol: IMethodSymbol { MethodKind: MethodKind.Constructor, ContainingType.Name: { } type } } symbol
            ? from fault in MissingIn(compilation, cancellationToken)
              where fault.Path.Any(step => step.Parameter == symbol.Name) && fault.Path.Any(step => step.Name.Split('<')[0].EndsWith(type))
              from fix in fault.Fixes
              where Editor.CanMake(compilation, fix)
              select new FixAction(FixTitle.Of(fix), project, fix, Editor.KeyOf(fault, fix))
            : [];

    private static IEnumerable<Fault> MissingIn(CSharpCompilation compilation, CancellationToken cancellationToken) =>
        WiringRoots.CheckAll(compilation, cancellationToken)
            .SelectMany(root => root.Faults)
            .Select(located => located.Fault)
            .Where(fault => fault.Kind == FaultKind.Missing)
            .GroupBy(fault => fault.Summary)
            .Select(same => same.First());
}
