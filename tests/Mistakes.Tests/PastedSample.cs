using System.Reflection;
using System.Runtime.Loader;
using System.Text.RegularExpressions;
using Junctivor;
using Junctivor.Tests;
using Junctivor.Tests.Shared;

namespace Mistakes.Tests;

/// <summary>A sample with a fix pasted into its source as somebody would, compiled and loaded.</summary>
internal sealed partial class PastedSample : IDisposable
{
    private readonly AssemblyLoadContext _context = new("pasted", isCollectible: true);
    private readonly string _folder = Directory.CreateTempSubdirectory("pasted-").FullName;

    public PastedSample(Mistake mistake, Fault fault, Fix fix)
    {
        string[] lines =
            File.ReadAllLines(Path.Combine(ProgramRun.RepositoryRoot, "examples", "Mistakes", "Samples", $"{mistake.Sample.Name}.cs"));
        string code = fix.Code!.Replace("reason: \"…\"", "reason: \"meant\"", StringComparison.Ordinal)
            .Replace("…", "40", StringComparison.Ordinal);
        string pasted = Paste(lines, fault, fix, code);
        string library = Path.Combine(_folder, "Pasted.dll");
        CompiledSource.ToFile(library, pasted);
        using FileStream image = File.OpenRead(library);
        Type sample = _context.LoadFromStream(image).GetType(mistake.Sample.FullName!, throwOnError: true)!;
        Wiring = (Wiring)sample.GetProperty("Wiring", BindingFlags.Public | BindingFlags.Static)!.GetValue(null)!;
    }

    public Wiring Wiring { get; }

    public void Dispose()
    {
        _context.Unload();
        Directory.Delete(_folder, recursive: true);
    }

    private static string Paste(string[] lines, Fault fault, Fix fix, string code)
    {
        if (code.StartsWith(".Passing", StringComparison.Ordinal))
        {
            return Passing().Replace(string.Join('\n', lines), code);
        }

        if (code.StartsWith('.'))
        {
            FaultStep meant =
                fault.Path.LastOrDefault(
                    step => step.Line > 0
                        && fix.Advice.EndsWith(
                            $" {step.Name.Split(['<', '>'], StringSplitOptions.RemoveEmptyEntries)[^1]}", StringComparison.Ordinal))
                            ?? fault.Path[0];
            int line = LineIn(fix.Advice) ?? meant.Line;
            lines[line - 1] = lines[line - 1].Insert(lines[line - 1].LastIndexOf(')') + 1, code);
            return string.Join('\n', lines);
        }

        string source = string.Join('\n', lines);
        if (code.StartsWith("[Inject] ", StringComparison.Ordinal))
        {
            return source.Replace(code["[Inject] ".Length..], code, StringComparison.Ordinal);
        }

        return Registration().IsMatch(code)
            ? PasteRegistration(lines, code, fix.Advice.EndsWith("is meant, write", StringComparison.Ordinal) ? fault.Path[0].Line - 1 : -1)
            : PasteParameter(source, code);
    }

    /// <summary>In place of what registers the same class or service, or behind the others.</summary>
    private static string PasteRegistration(string[] lines, string code, int line)
    {
        string made = code.Contains("new ", StringComparison.Ordinal) ? code[code.IndexOf("new ", StringComparison.Ordinal)..] : code;
        string[] types = [.. Words().Matches(made).Select(match => match.Value)];
        int same = line >= 0
            ? line
            : Array.FindIndex(
                lines, each => Registration().IsMatch(each.Trim())
                    && types.Any(type => each.Contains($"Of<{type}", StringComparison.Ordinal)));
        int end = Array.FindIndex(lines, line => line.Trim() == "];");
        return string.Join(
            '\n', same >= 0
                ? [.. lines[..same], $"        {code},", .. lines[(same + 1)..]]
                : [.. lines[..end], $"        {code},", .. lines[end..]]);
    }

    private static string PasteParameter(string source, string code)
    {
        string name = code[(code.LastIndexOf(' ') + 1)..];
        Regex parameter = new($@"(?<=[(,] ?)(?:\[[^\]]*\] )?[\w<>]+ {Regex.Escape(name)}(?=[,)])");
        Assert.Matches(parameter, source);
        return parameter.Replace(source, code);
    }

    private static int? LineIn(string advice) =>
        Place().Match(advice) is { Success: true } match ? int.Parse(match.Groups[1].Value, provider: null) : null;

    [GeneratedRegex(@"\.Passing\([^)]*\)")]
    private static partial Regex Passing();

    [GeneratedRegex(@"^(Singleton|Scoped|Transient)\.")]
    private static partial Regex Registration();

    [GeneratedRegex(@"[A-Z]\w+")]
    private static partial Regex Words();

    [GeneratedRegex(@"\.cs:(\d+)")]
    private static partial Regex Place();
}
