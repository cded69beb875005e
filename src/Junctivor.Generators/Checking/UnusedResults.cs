using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Diagnostics;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Checking;

/// <summary>JV903: a registration, or what an option returns, that nothing uses. An option returns another registration, and leaves the one
/// that it is called on as it was.</summary>
internal static class UnusedResults
{
    /// <summary>Looks at an expression that is a statement.</summary>
    public static void Inspect(OperationAnalysisContext context)
    {
        if (context.Operation is IExpressionStatementOperation { Operation: IInvocationOperation call }
            && call.TargetMethod.ContainingAssembly?.Name == "Junctivor"
            && Operations.IsRegistration(call.Type))
        {
            context.ReportDiagnostic(Diagnostic.Create(
                Descriptors.Unused, (WiringRoots.NameOf(call.Syntax) ?? call.Syntax).GetLocation(), MessageOf(call)));
        }
    }

    private static string MessageOf(IInvocationOperation call) => call.Instance is null
        ? "This registration is in no wiring. Fix: add it to one, or remove it"
        : VariableOf(call.Instance) is { } variable
            ? $"{call.TargetMethod.Name} changes nothing here: it returns another registration. Fix: use what it returns: "
                + $"{variable} = {call.Syntax};"
            : $"{call.TargetMethod.Name} changes nothing here: it returns another registration. Fix: use what it returns";

    private static string? VariableOf(IOperation instance) => Operations.WithoutConversions(instance) switch
    {
        ILocalReferenceOperation local => local.Local.Name,
        IParameterReferenceOperation parameter => parameter.Parameter.Name,
        _ => null,
    };
}
