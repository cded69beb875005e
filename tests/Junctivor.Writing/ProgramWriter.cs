using System.Globalization;
using System.Text;

namespace Junctivor.Writing;

/// <summary>
/// Writes a random program of which the wiring comes about in random ways: a world of classes, registrations of some of them, and the code
/// through which they get into the wiring.
/// </summary>
public sealed class ProgramWriter
{
    private const int Classes = 6;
    private const int DeepestWay = 3;
    private const int MostFlags = 2;

    private static readonly string[] Lifetimes = ["Singleton", "Scoped", "Transient"];

    private readonly Random _random;
    private readonly string _switches;
    private readonly List<string> _members = [];
    private readonly List<string> _types = [];
    private readonly List<string> _library = [];
    private readonly List<string> _flags = [];
    private readonly List<string> _used = [];
    private List<string>? _block;
    private int _depth;
    private int _names;
    private bool _isInLibrary;

    private ProgramWriter(int number, Random random, string switches)
    {
        _random = random;
        _switches = switches;
        Number = number;
        HasLibrary = random.Next(3) == 0;
    }

    /// <summary>The names of all ways in which a wiring may come about.</summary>
    public static IReadOnlyList<string> WayNames => [.. Way.All.Select(way => way.Name)];

    public int Number { get; }

    /// <summary>Whether a part of the wiring is in another project.</summary>
    public bool HasLibrary { get; }

    /// <summary>Whether statements can be written where the wiring is.</summary>
    public bool IsInBlock => _block is not null;

    /// <summary>Whether what is written belongs to the other project.</summary>
    public bool IsInLibrary => _isInLibrary;

    /// <param name="number">Tells it from other programs of the same compilation.</param>
    /// <param name="seed">The same seed gives the same program.</param>
    /// <param name="switches">What the names of its switches begin with.</param>
    public static WrittenProgram Write(int number, int seed, string switches) =>
        new ProgramWriter(number, new Random(seed), switches).Write();

    private WrittenProgram Write()
    {
        string world = World();
        List<string> elements = [.. Enumerable.Range(0, _random.Next(3, 8)).Select(_ => Registration())];
        bool isBuilt = _random.Next(2) == 0;
        _block = [];
        string wiring = Compose(elements);
        string statements = string.Concat(_block.Select(statement => $"        {statement}\n"));
        string root = isBuilt
            ? $"    public static Container B()\n    {{\n{statements}        return {Parenthesized(wiring)}.Build();\n    }}\n"
            : $"    [CheckedWiring]\n    public static Wiring W()\n    {{\n{statements}        return {wiring};\n    }}\n";
        string flags = $$"""
            public static class Flags
            {
                private static bool Is(string name) => AppContext.TryGetSwitch(name, out bool value) && value;
                public static bool Maybe => Is("{{_switches}}.Maybe");
            {{string.Concat(_flags.Select(flag => $"    public static readonly bool {flag} = Is(\"{_switches}.{flag}\");\n"))}}}

            """;
        string program = $"using L{Number};\nnamespace P{Number};\n\npublic static class Root\n{{\n{root}}}\n\n"
            + $"public static class M\n{{\n{string.Concat(_members.Select(member => $"    {member}\n"))}}}\n\n"
            + string.Concat(_types.Select(type => type + "\n"));
        string shared = $"namespace L{Number};\n\n{flags}{world}";
        string library = $"public static class Mod\n{{\n{string.Concat(_library.Select(member => $"    {member}\n"))}}}\n";
        return new WrittenProgram(
            Number,
            program,
            shared + library,
            HasLibrary,
            $"{_switches}.Maybe",
            [.. _flags.Select(flag => $"{_switches}.{flag}")],
            _used);
    }

    /// <summary>A wiring with these elements, written in some way.</summary>
    public string Compose(IReadOnlyList<string> elements)
    {
        if (_depth >= DeepestWay || (_depth > 0 && Chance(2)))
        {
            return Collection(elements);
        }

        IReadOnlyList<Way> possible = [.. Way.All.Where(way => way.Fits(this))];
        Way way = possible[_random.Next(possible.Count)];
        _used.Add(way.Name);
        _depth++;
        string written = way.Write(this, elements);
        _depth--;
        return written;
    }

    /// <summary>The elements, of which some come from other wirings that are spread.</summary>
    public IReadOnlyList<string> Nested(IReadOnlyList<string> elements)
    {
        if (elements.Count < 2 || _random.Next(3) == 0)
        {
            return elements;
        }

        int first = _random.Next(elements.Count);
        int count = _random.Next(1, elements.Count - first + 1);
        return
        [
            .. elements.Take(first),
            $".. {Parenthesized(Compose([.. elements.Skip(first).Take(count)]))}",
            .. elements.Skip(first + count),
        ];
    }

    public static string Collection(IReadOnlyList<string> elements) => $"[{string.Join(", ", elements)}]";

    /// <summary>A collection expression has no type of its own.</summary>
    public static string Parenthesized(string wiring) => wiring.StartsWith('[') ? $"((Wiring)({wiring}))" : $"({wiring})";

    public string Name(string start) => string.Create(CultureInfo.InvariantCulture, $"{start}{_names++}");

    /// <summary>Adds a member that others name with <c>M.</c>, or <c>Mod.</c> in the other project.</summary>
    /// <returns>What stands before its name.</returns>
    public string AddMember(string text)
    {
        (_isInLibrary ? _library : _members).Add(text);
        return _isInLibrary ? "Mod" : "M";
    }

    public void AddType(string text) => _types.Add(text);

    public void AddStatement(string text) => _block!.Add(text);

    /// <summary>What is written where no statement of the root can be named.</summary>
    public string Outside(Func<string> write)
    {
        List<string>? around = _block;
        _block = null;
        string written = write();
        _block = around;
        return written;
    }

    /// <summary>The body of a member, with statements of its own.</summary>
    public string Body(Func<string> write)
    {
        List<string>? around = _block;
        _block = [];
        string returned = write();
        string body = $"{{ {string.Concat(_block.Select(statement => statement + " "))}return {returned}; }}";
        _block = around;
        return body;
    }

    /// <summary>What is written in the other project.</summary>
    public string InLibrary(Func<string> write)
    {
        bool around = _isInLibrary;
        _isInLibrary = true;
        string written = Outside(write);
        _isInLibrary = around;
        return written;
    }

    /// <summary>A flag that is the same for the whole run.</summary>
    public string Flag()
    {
        if (_flags.Count < MostFlags)
        {
            _flags.Add($"F{_flags.Count}");
        }

        return "Flags." + _flags[_random.Next(_flags.Count)];
    }

    public bool Chance(int of) => _random.Next(of) == 0;

    public int Next(int most) => _random.Next(most);

    /// <summary>A registration of one of the classes.</summary>
    public string Registration()
    {
        string life = Lifetimes[_random.Next(Lifetimes.Length)];
        int number = _random.Next(Classes);
        string start = _random.Next(5) switch
        {
            0 => $"{life}.Of<K{number}>()",
            1 => $"{life}.Of(typeof(I{number}), typeof(K{number}))",
            2 => $"{life}.From(static (I{(number + 1) % Classes} other) => new F{number}(other)).Also<I{number}>()",
            _ => $"{life}.Of<I{number}, K{number}>()",
        };
        return start + _random.Next(10) switch
        {
            0 => ".Marked(\"a\")",
            1 => ".IfMissing()",
            2 => ".FirstChoice()",
            3 when start.Contains($".Of<K{number}>", StringComparison.Ordinal) => $".Also<I{number}>()",
            _ => "",
        };
    }

    private string World()
    {
        StringBuilder world = new();
        for (int number = 0; number < Classes; number++)
        {
            string parameters = string.Join(", ", Enumerable.Range(0, _random.Next(3)).Select(Parameter));
            string state = HasLibrary || _random.Next(3) > 0 ? "" : " private int _turns; public int Turn() => ++_turns;";
            world.Append(CultureInfo.InvariantCulture, $$"""
                public interface I{{number}};
                public class K{{number}}({{parameters}}) : I{{number}} {{{state}} }
                public class F{{number}}(I{{(number + 1) % Classes}} other) : I{{number}} { public object Other => other; }

                """);
        }

        return world.ToString();
    }

    private string Parameter(int number)
    {
        int wanted = _random.Next(Classes);
        return _random.Next(9) switch
        {
            0 => $"Lazy<I{wanted}> p{number}",
            1 => $"Func<I{wanted}> p{number}",
            2 => $"IReadOnlyList<I{wanted}> p{number}",
            3 => $"[Marked(\"a\")] I{wanted} p{number}",
            4 => $"I{wanted}? p{number}",
            5 => $"FreshScope<I{wanted}> p{number}",
            _ => $"I{wanted} p{number}",
        };
    }
}
