using System.Reflection;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using Junctivor.Checks;

namespace Junctivor.Reports.Faults;

/// <summary>Writes what was found in the form that code-review tools read: SARIF 2.1.0, an OASIS standard.</summary>
public static class SarifReport
{
    private const string Schema = "https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json";

    /// <summary>Writes reports down, each fault at its place in the source.</summary>
    /// <param name="reports">The reports, one for each wiring.</param>
    /// <param name="repository">The root of the repository, to which places are relative; null for the working copy around each
    /// file.</param>
    /// <returns>Indented JSON with line feeds.</returns>
    /// <exception cref="ArgumentNullException">The reports are null.</exception>
    public static string Write(IReadOnlyList<NamedReport> reports, string? repository = null)
    {
        ArgumentNullException.ThrowIfNull(reports);
        SourceRoot root = new(repository);
        return JsonSerializer.Serialize(new Log(Schema, "2.1.0", [Run(reports, root)]), Json.Full);
    }

    private static object Run(IReadOnlyList<NamedReport> reports, SourceRoot root) => new
    {
        Tool = new
        {
            Driver = new
            {
                Name = "Junctivor",
                SemanticVersion = typeof(SarifReport).Assembly
                    .GetCustomAttribute<AssemblyInformationalVersionAttribute>()?
                    .InformationalVersion.Split('+')[0],
                Rules = FaultKind.All.Select(Rule),
            },
        },
        Invocations = new[] { new { ExecutionSuccessful = true } },
        ColumnKind = "utf16CodeUnits",
        Results = reports.SelectMany(
            report => report.Report.All.Concat(report.Report.Accepted).Select(fault => Result(report.Wiring, fault, root))),
    };

    private static object Rule(FaultKind kind) => new
    {
        Id = kind.Code,
        kind.Name,
        ShortDescription = new { Text = kind.Meaning },
        HelpUri = kind.HelpLink,
        Help = new { Text = $"{kind.Meaning} More: {kind.HelpCommand}", Markdown = FaultSections.Of(kind) },
        DefaultConfiguration = new { Level = LevelOf(kind.Severity) },
    };

    private static object Result(string wiring, Fault fault, SourceRoot root)
    {
        IReadOnlyList<FaultStep> places = [.. fault.Path.Where(step => step.File.Length > 0)];
        return new
        {
            RuleId = fault.Code,
            RuleIndex = RuleIndex.Of(fault.Kind),
            Level = LevelOf(fault.Severity),
            Message = new { Text = MessageOf(fault), Markdown = MarkdownOf(fault) },
            Locations = new[] { Location(wiring, places.Count > 0 ? places[0] : null, root) },
            RelatedLocations = places.Count > 1 ? places.Skip(1).Select((step, index) => Related(step, index + 1, root)) : null,
            PartialFingerprints = new Dictionary<string, string> { ["junctivorFault/v1"] = Fingerprint(wiring, fault) },
            Suppressions = fault.AcceptedBecause is { } reason
                ? new[] { new { Kind = "inSource", Status = "accepted", Justification = reason } } : null,
        };
    }

    private static object Location(string wiring, FaultStep? step, SourceRoot root) => new
    {
        PhysicalLocation = step is null ? null : Physical(step, root),
        LogicalLocations = new[] { new { Name = wiring, Kind = "member" } },
    };

    private static object Related(FaultStep step, int id, SourceRoot root) => new
    {
        Id = id,
        Message = new
        {
            Text = step.Parameter is null
            ? $"{step.Name} {step.Lifetime}".TrimEnd()
            : $"{step.Parameter}: {step.Name} {step.Lifetime}".TrimEnd()
        },
        PhysicalLocation = Physical(step, root),
    };

    private static object Physical(FaultStep step, SourceRoot root) => new
    {
        ArtifactLocation = new
        {
            Uri = UriOf(root.Relative(step.File)),
            UriBaseId = Path.IsPathRooted(root.Relative(step.File))
            ? null
            : "SRCROOT"
        },
        Region = new { StartLine = step.Line },
    };

    private static string UriOf(string path) => Path.IsPathRooted(path)
        ? new Uri(path).AbsoluteUri
        : string.Join('/', path.Split('/').Select(Uri.EscapeDataString));

    private static string MessageOf(Fault fault)
    {
        StringBuilder text = new(fault.Summary);
        text.Append('.').AppendJoin("", fault.Remarks.Select(remark => $"\n{remark}"));
        text.AppendJoin("", fault.Fixes.Select((fix, index) => $"\n{(index == 0 ? "Fix" : "Or")}: {fix}"));
        return text.Append("\nMore: ").Append(fault.Kind.HelpCommand).ToString();
    }

    private static string MarkdownOf(Fault fault)
    {
        StringBuilder text = new($"**{fault.Summary}.**\n");
        text.AppendJoin("", fault.Remarks.Select(remark => $"\n{remark}")).Append('\n');
        text.AppendJoin("", fault.Fixes.Select(fix => fix.Code is null ? $"\n- {fix.Advice}" : $"\n- {fix.Advice}: `{fix.Code}`"));
        return text.Append("\n\nMore: `").Append(fault.Kind.HelpCommand).Append('`').ToString();
    }

    /// <summary>The same for the same fault, whatever line it has moved to.</summary>
    private static string Fingerprint(string wiring, Fault fault) =>
        Convert.ToHexStringLower(
            SHA256.HashData(
                Encoding.UTF8.GetBytes($"{wiring}\n{fault.Code}\n{string.Join("\n", fault.Candidates.DefaultIfEmpty(fault.Summary))}")));

    private static string LevelOf(Severity severity) => severity switch
    {
        Severity.Error => "error",
        Severity.Warning => "warning",
        _ => "note",
    };

    private sealed record Log([property: JsonPropertyName("$schema")] string Schema, string Version, IReadOnlyList<object> Runs);
}
