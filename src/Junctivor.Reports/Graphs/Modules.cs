using System.Reflection;
using System.Reflection.Metadata;
using Junctivor.Graph;

namespace Junctivor.Reports.Graphs;

/// <summary>
/// In which module a registration is: a module is the member that it is written in, such as <c>HarbourWiring.Storage</c>. Told by the
/// symbols of the loaded assemblies, as far as these are there. For use by one thread at a time.
/// </summary>
internal sealed class Modules
{
    private readonly Dictionary<string, List<Span>> _spans;

    private Modules(Dictionary<string, List<Span>> spans) => _spans = spans;

    /// <summary>The members of some source files.</summary>
    public static Modules Of(IEnumerable<string> files)
    {
        Dictionary<string, List<Span>> spans = files.Distinct().ToDictionary(file => file, _ => new List<Span>(), StringComparer.Ordinal);
        foreach (Assembly assembly in AppDomain.CurrentDomain.GetAssemblies().Where(_ => spans.Count > 0))
        {
            Symbols.Read(assembly, (types, symbols) => Read(types, symbols, spans));
        }

        return new Modules(spans);
    }

    /// <summary>The module of a place; null if nobody knows.</summary>
    public string? At(SourcePlace place) => place.IsKnown && _spans.TryGetValue(place.File, out List<Span>? spans)
        ? spans.Where(span => span.First <= place.Line && place.Line <= span.Last).MaxBy(span => span.Last - span.First)?.Member
        : null;

    private static void Read(MetadataReader types, MetadataReader symbols, Dictionary<string, List<Span>> spans)
    {
        Dictionary<DocumentHandle, List<Span>> known = [];
        foreach (DocumentHandle handle in symbols.Documents)
        {
            if (spans.TryGetValue(symbols.GetString(symbols.GetDocument(handle).Name), out List<Span>? ofFile))
            {
                known.Add(handle, ofFile);
            }
        }

        foreach (MethodDebugInformationHandle handle in known.Count == 0 ? [] : symbols.MethodDebugInformation)
        {
            SequencePoint[] points = [.. symbols.GetMethodDebugInformation(handle).GetSequencePoints()
                .Where(point => !point.IsHidden && known.ContainsKey(point.Document))];
            string member = points.Length == 0 ? "" : MemberOf(types, types.GetMethodDefinition(handle.ToDefinitionHandle()));
            foreach (SequencePoint point in points)
            {
                known[point.Document].Add(new Span(point.StartLine, point.EndLine, member));
            }
        }
    }

    /// <summary>The member as its author knows it: what the compiler makes of a property, of an initializer or of a lambda has other
    /// names.</summary>
    private static string MemberOf(MetadataReader types, MethodDefinition method)
    {
        TypeDefinition type = types.GetTypeDefinition(method.GetDeclaringType());
        string member = types.GetString(method.Name);
        while (types.GetString(type.Name) is ['<', ..] made && !type.GetDeclaringType().IsNil)
        {
            member = member.Contains('<', StringComparison.Ordinal) ? member : made;
            type = types.GetTypeDefinition(type.GetDeclaringType());
        }

        string name = types.GetString(type.Name).Split('`')[0];
        member = member.StartsWith('<') ? member[1..Math.Max(1, member.IndexOf('>', StringComparison.Ordinal))] : member;
        return member switch
        {
            ".cctor" or ".ctor" or "" => name,
            "Main$" => "Program",
            _ => $"{name}.{(member.StartsWith("get_", StringComparison.Ordinal) ? member[4..] : member)}",
        };
    }

    /// <summary>A statement, or what else a debugger stops at. The longest around a registration is the one of its module, and not of a
    /// lambda in it.</summary>
    private sealed record Span(int First, int Last, string Member);
}
