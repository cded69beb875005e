using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Writes C# as a user would: registrations, parameters and calls, for the fixes.</summary>
internal static class RegistrationText
{
    private const string ToFillIn = "…";

    /// <summary>The word that a registration of this lifetime starts with.</summary>
    public static string Start(Level level) =>
        level == Level.Singleton
            ? "Singleton"
            : level == Level.Scoped ? "Scoped"
            : level == Level.Transient ? "Transient"
            : level.Variable ?? AsIdentifier(level.Name);

    /// <summary>A registration of a class for a service.</summary>
    public static string OfClass(Level level, TypeRef service, TypeRef created) => (service.IsDefinition || created.IsDefinition) switch
    {
        true when service.Equals(created) => $"{Start(level)}.Of(typeof({Unbound(created)}))",
        true => $"{Start(level)}.Of(typeof({Unbound(service.Definition ?? service)}), typeof({Unbound(created)}))",
        _ when service.Equals(created) => $"{Start(level)}.Of<{created.Name}>()",
        _ => $"{Start(level)}.Of<{service.Name}, {created.Name}>()",
    };

    /// <summary>A registration of a class as a decorator.</summary>
    public static string Decorator(TypeRef service, TypeRef decorator) => service.IsDefinition || decorator.IsDefinition
        ? $"Decorator.Of(typeof({Unbound(service.Definition ?? service)}), typeof({Unbound(decorator)}))"
        : $"Decorator.Of<{service.Name}, {decorator.Name}>()";

    /// <summary>The registration of a node, as it would be written again; a class stands for itself, the rest is to be filled in.</summary>
    public static string Again(Node node, Level? level = null) => (node.Kind, node.IsDecorator) switch
    {
        (NodeKind.Class, false) =>
            OfClass(level ?? node.Level, node.Services[0], node.Implementation)
                + string.Concat(node.Services.Skip(1).Select(Also))
                + OptionsOf(node.Mark),
        (NodeKind.Class, true) => Decorator(node.Services[0], node.Implementation),
        _ => $"{(node.IsDecorator ? "Decorator" : Start(level ?? node.Level))}.From({ToFillIn}){OptionsOf(node.Mark)}",
    };

    /// <summary>A registration for a service, by a class that is still to be named.</summary>
    public static string OfUnknown(Level level, TypeRef service) => $"{Start(level)}.Of<{service.Name}, {ToFillIn}>()";

    /// <summary>A constructor as it stands in its class.</summary>
    public static string Declaration(Node node, Constructor constructor) => $"{node.Implementation.OwnName}({Parameters(constructor)})";

    /// <summary>A variable for a scope of a level: <c>dutyShift</c>.</summary>
    public static string Variable(Level level)
    {
        string name = Start(level);
        return char.ToLowerInvariant(name[0]) + name.Substring(1);
    }

    /// <summary>A factory that creates a node through one of its constructors.</summary>
    public static string Factory(Node node, Constructor constructor)
    {
        string created = node.Implementation.Name;
        string arguments = string.Join(", ", constructor.Parameters.Select(parameter => Identifier(parameter.Name)));
        TypeRef service = node.Services[0];
        string returned = service.Equals(node.Implementation) ? "" : $"{service.Name} ";
        return node.IsDecorator
            ? $"Decorator.From({returned}({Parameters(constructor)}) => new {created}({arguments}))"
            : $"{Start(node.Level)}.From({returned}({Parameters(constructor)}) => new {created}({arguments}))";
    }

    /// <summary>A factory that is still to be written.</summary>
    public static string UnknownFactory(Node node, TypeRef service) => node.IsDecorator
        ? $"Decorator.From(({service.Name} inner) => {ToFillIn})"
        : $"{Start(node.Level)}.From({service.Name} () => {ToFillIn})";

    /// <summary>A parameter that asks by a mark, or by none.</summary>
    public static string Parameter(Mark? mark, string type, string name) => $"{Attribute(mark)}{type} {Identifier(name)}";

    /// <summary>How a fresh scope is used, with a member of what it resolves; null if it has none, and needs no value.</summary>
    public static string? FreshUse(string parameter, TypeRef resolved, IReadOnlyList<string> values)
    {
        (string Call, bool IsAsync)? member = MissingFixes.IsOfBaseLibrary(resolved) ? null : resolved.FirstUse;
        if (member is null && values.Count == 0)
        {
            return null;
        }

        string run = member is { IsAsync: false } ? "Run" : "RunAsync";
        string work = member is { } use ? $"fresh => fresh.{use.Call}" : "work";
        string arguments = values.Count == 0 ? work : $"{work}, {StartCallText.Values(run, values)}";
        return $"{(run == "Run" ? "" : "await ")}{Identifier(parameter)}.{run}({arguments});";
    }

    /// <summary>What a declared value is supplied as.</summary>
    public static string Supply(Node declaration) => IsOfHost(declaration)
        ? "Incoming.FromHost(app.Services)"
        : $"Incoming.Value<{declaration.Services[0].Name}>({ToFillIn}){OptionsOf(declaration.Mark)}";

    private static bool IsOfHost(Node declaration) =>
        declaration is { Kind: NodeKind.Incoming, Mark: null }
        && !declaration.Has(RegistrationFlags.SuppliedLater)
        && declaration.Level == Level.Singleton && MissingFixes.IsOfHost(declaration.Services[0]);

    /// <summary>What marks a registration.</summary>
    public static string OptionsOf(Mark? mark) =>
        mark is null || mark == Mark.OrNot ? "" : mark.Type is null ? $".Marked({Literal(mark.Text!)})" : $".Marked<{mark.Type.Name}>()";

    /// <summary>What lets a registration serve another service too.</summary>
    public static string Also(TypeRef service) => service.IsDefinition ? $".Also(typeof({Unbound(service)}))" : $".Also<{service.Name}>()";

    /// <summary>What accepts a fault.</summary>
    /// <param name="kind">The kind of fault.</param>
    /// <param name="reason">Why it is accepted, as a sentence; the user may know a better one.</param>
    public static string Accept(FaultKind kind, string reason) => $".Accept({Literal(kind.Code)}, reason: {Literal(reason)})";

    /// <summary>Whether a piece of code has a gap that only the user can fill.</summary>
    public static bool IsToBeFilledIn(string code) => code.Contains(ToFillIn);

    /// <summary>What passes a constant for a parameter.</summary>
    public static string Passing(string parameter) => $".Passing({Literal(parameter)}, {ToFillIn})";

    private static string Parameters(Constructor constructor) =>
        string.Join(", ", constructor.Parameters.Select(parameter => Parameter(parameter.Mark, parameter.Type.Name, parameter.Name)));

    private static string Attribute(Mark? mark) =>
        mark is null
            ? ""
            : mark == Mark.OrNot ? "[IncludingMarked] "
            : mark.Type is null ? $"[Marked({Literal(mark.Text!)})] "
            : $"[Marked<{mark.Type.Name}>] ";

    private static string Literal(string text) => $"\"{text.Replace("\\", "\\\\").Replace("\"", "\\\"")}\"";

    /// <summary>A name as a parameter may bear it, even where C# uses the word.</summary>
    private static string Identifier(string name) => Keywords.Contains(name) ? $"@{name}" : name;

    /// <summary>A generic definition as <c>typeof</c> wants it, such as <c>IArchive&lt;&gt;</c>.</summary>
    private static string Unbound(TypeRef definition)
    {
        System.Text.StringBuilder unbound = new();
        int depth = 0;
        foreach (char letter in definition.Name)
        {
            depth += letter == '<' ? 1 : 0;
            depth -= letter == '>' ? 1 : 0;
            if (depth == 0 || letter is '<' or ',')
            {
                unbound.Append(letter);
            }
        }

        return unbound.ToString();
    }

    /// <summary>A level's name as a field would most likely be called that holds it: <c>duty shift</c> is <c>DutyShift</c>.</summary>
    private static string AsIdentifier(string name) => string.Concat(name
        .Split([' ', '-'], StringSplitOptions.RemoveEmptyEntries)
        .Select(word => char.ToUpperInvariant(word[0]) + word.Substring(1)));

    private static readonly HashSet<string> Keywords = new(StringComparer.Ordinal)
    {
        "abstract", "as", "base", "bool", "break", "byte", "case", "catch", "char", "checked", "class", "const", "continue", "decimal",
        "default", "delegate", "do", "double", "else", "enum", "event", "explicit", "extern", "false", "finally", "fixed", "float", "for",
        "foreach", "goto", "if", "implicit", "in", "int", "interface", "internal", "is", "lock", "long", "namespace", "new", "null",
        "object", "operator", "out", "override", "params", "private", "protected", "public", "readonly", "ref", "return", "sbyte",
        "sealed", "short", "sizeof", "stackalloc", "static", "string", "struct", "switch", "this", "throw", "true", "try", "typeof",
        "uint", "ulong", "unchecked", "unsafe", "ushort", "using", "virtual", "void", "volatile", "while",
    };
}
