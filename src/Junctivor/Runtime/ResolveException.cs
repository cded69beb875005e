using Junctivor.Checks;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// Thrown when a service cannot be resolved from a container or scope: a service that is not registered, one that needs a scope, a value
/// that was not supplied, a level that cannot be started here. It has the codes and fixes of the check. An exception of a constructor or
/// factory is thrown as <see cref="ConstructionException"/> instead.
/// </summary>
public sealed class ResolveException : JunctivorException
{
    private readonly List<Exception> _endingFailures = [];

    internal ResolveException(params IEnumerable<Fault> faults)
        : this(new CheckReport([.. faults.Select(WithPlace)], []))
    {
    }

    private ResolveException(CheckReport report)
        : base(report.All.Count == 1 ? report.All[0].ToString() : report.ToString()) => Report = report;

    /// <summary>The faults as in a report, and the failures of disposal.</summary>
    public override string Message => base.Message + Runtime.DisposalFailures.Lines(_endingFailures);

    /// <summary>The fault; the first of several.</summary>
    public Fault Fault => Report.All[0];

    /// <summary>All faults of the call.</summary>
    public CheckReport Report { get; }

    /// <summary>The exceptions of disposing what had been created for the call; usually empty.</summary>
    public IReadOnlyList<Exception> DisposalFailures => _endingFailures;

    /// <summary>The fault with the place of the call that it comes from, as far as that is known.</summary>
    private static Fault WithPlace(Fault fault)
    {
        RequestCall? known = RequestCall.Find() is { File: not null, Line: > 0 } call ? call : null;
        return fault with
        {
            Remarks = known is null
                ? fault.Remarks
                : [.. fault.Remarks, $"Requested at {RelativeTo(fault, known.File!)}:{known.Line}, in {known.Caller}."],
            Fixes = [.. fault.Fixes.Select(fix => At(known, fix))],
        };
    }

    /// <summary>Edits of the call are possible only where it is known.</summary>
    private static Fix At(RequestCall? call, Fix fix) => fix.Edits switch
    {
        [] => fix,
        var edits when !edits.Any(edit => edit.IsOfCall) => fix,
        var edits => fix with { Edits = call is null ? [] : [.. edits.Select(edit => edit with { File = call.File!, Line = call.Line })] },
    };

    /// <summary>Relative to the folder that the places of the path are relative to.</summary>
    private static string RelativeTo(Fault fault, string file)
    {
        string? folder = fault.Path.Where(step => step.Line > 0 && step.File.Length > 0)
            .Select(step => step.File[..^(step.Place.Length - $":{step.Line}".Length)])
            .FirstOrDefault();
        return folder is { Length: > 0 } && file.StartsWith(folder, StringComparison.Ordinal)
            ? file[folder.Length..]
            : Path.GetFileName(file);
    }

    internal void AlsoFailed(IEnumerable<Exception> failures) => _endingFailures.AddRange(failures);
}
