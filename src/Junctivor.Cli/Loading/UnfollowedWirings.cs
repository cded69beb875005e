using System.Globalization;
using System.Reflection;
using System.Text.RegularExpressions;
using Junctivor.CompilerServices;
using Junctivor.Reports.Faults;

namespace Junctivor.Cli.Loading;

/// <summary>Reads which wirings of an assembly the compiler could not follow, from what it left behind.</summary>
internal static partial class UnfollowedWirings
{
    /// <summary>What the name of a wiring begins with that has no other name than its place.</summary>
    private const string Build = "Build at ";

    /// <param name="assembly">The assembly.</param>
    /// <param name="marked">The names of the wirings that are checked, by their members.</param>
    public static IReadOnlyList<UnfollowedWiring> In(Assembly assembly, IReadOnlyDictionary<MemberInfo, string> marked) =>
    [
        .. from left in assembly.GetCustomAttributes<FollowedWiringAttribute>()
           let reason = Reason().Match(left.Text)
           where reason.Success
           let name = NameOf(left.Member, marked)
           where name is not null
           orderby name.StartsWith(Build, StringComparison.Ordinal), name
           select new UnfollowedWiring(
               name,
               Unquoted(reason.Groups["why"].Value),
               Unquoted(reason.Groups["file"].Value),
               reason.Groups["line"].Success ? int.Parse(reason.Groups["line"].Value, CultureInfo.InvariantCulture) : 0),
    ];

    /// <summary>The name of a marked wiring, or where a wiring is built; null for a module, which is checked where it is
    /// included.</summary>
    private static string? NameOf(string member, IReadOnlyDictionary<MemberInfo, string> marked)
    {
        if (BuiltAt().Match(member) is { Success: true } built)
        {
            return $"{Build}{Path.GetFileName(Unquoted(built.Groups["file"].Value))}:{built.Groups["line"].Value}";
        }

        return marked.Where(each => IsNamed(member, each.Key)).Select(each => each.Value).FirstOrDefault();
    }

    private static bool IsNamed(string identifier, MemberInfo member)
    {
        string name = $"{member.DeclaringType?.FullName?.Replace('+', '.')}.{member.Name}";
        return identifier.Length > 2
            && identifier.AsSpan(2).StartsWith(name, StringComparison.Ordinal)
            && (identifier.Length == name.Length + 2 || identifier[name.Length + 2] is '(' or '~');
    }

    private static string Unquoted(string text) => text.Replace("\\\"", "\"", StringComparison.Ordinal)
        .Replace("\\\\", "\\", StringComparison.Ordinal);

    [GeneratedRegex("""^version \d+\n(unknown|run-time|size) "(?<why>([^"\\]|\\.)*)"( "(?<file>([^"\\]|\\.)*)" (?<line>\d+))?""")]
    private static partial Regex Reason();

    [GeneratedRegex("""^build "(?<file>([^"\\]|\\.)*)" (?<line>\d+)$""")]
    private static partial Regex BuiltAt();
}
