using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// Finds modules of the program that register a service and are not part of the wiring, by what the compiler left behind of them: for
/// advice only.
/// </summary>
internal static class ModuleSearch
{
    /// <summary>The modules, as a wiring names them: <c>Storage.Wiring</c>, or <c>Storage.Wiring()</c>. Only those that take
    /// nothing.</summary>
    public static IEnumerable<string> Registering(ServiceGraph graph, ServiceId service) =>
        IdOf(service.Type) is { } wanted
            ? graph.LeftWirings.Where(left => Registers(left.Text, wanted, service.Mark))
                .Select(left => NameOf(left.Member))
                .OfType<string>()
                .Distinct()
            : [];

    private static bool Registers(string text, string wanted, Mark? mark)
    {
        bool isFor = false;
        bool isMarked = mark is null;
        bool isCertain = true;
        foreach (string line in text.Split('\n').Append(WiringWords.Entry))
        {
            IReadOnlyList<string> words = WiringWords.Split(line);
            switch (words.Count == 0 ? "" : words[0])
            {
                case WiringWords.Checked:
                    return false;
                case WiringWords.Entry:
                    if (isFor && isMarked && isCertain)
                    {
                        return true;
                    }

                    (isFor, isMarked, isCertain) = (false, mark is null, true);
                    break;
                case WiringWords.For:
                    isFor |= words[1] == wanted;
                    break;
                case WiringWords.Mark:
                    isMarked = mark?.Text == words[1];
                    break;
                case WiringWords.MarkType:
                    isMarked = mark?.Type is { } type && IdOf(type) == words[1];
                    break;
                case WiringWords.MarkGiven or WiringWords.When or WiringWords.Enabled or WiringWords.Disabled or WiringWords.OnlyFor
                    or WiringWords.Decorator:
                    isCertain = false;
                    break;
                default:
                    break;
            }
        }

        return false;
    }

    /// <summary>How a member is named in code; null for a method with parameters, and for what is no member.</summary>
    private static string? NameOf(string member)
    {
        int end = member.IndexOf('~');
        string path = end < 0 ? member : member.Substring(0, end);
        string[] parts = path.Split('.');
        return parts.Length < 2 || path.Length < 3 || path[1] != ':' || path.Contains('(') || path.Contains('`') ? null
            : $"{parts[parts.Length - 2].Replace("P:", "").Replace("F:", "").Replace("M:", "")}.{parts[parts.Length - 1]}{(path[0] == 'M' ? "()" : "")}";
    }

    /// <summary>A type as documentation comments identify it; null for one that is written otherwise there.</summary>
    private static string? IdOf(TypeRef type)
    {
        if (type.Arguments.Count == 0)
        {
            return type.IsDefinition ? null : type.DefinitionName.Replace('+', '.');
        }

        IReadOnlyList<string?> arguments = [.. type.Arguments.Select(IdOf)];
        int arity = type.DefinitionName.IndexOf('`');
        return arity < 0 || type.DefinitionName.Contains('+') || arguments.Contains(null)
            ? null
            : $"{type.DefinitionName.Substring(0, arity)}{{{string.Join(",", arguments)}}}";
    }
}
