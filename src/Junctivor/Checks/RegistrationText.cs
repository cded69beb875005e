using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Writes registrations as a user would, for the cures.</summary>
internal static class RegistrationText
{
    /// <summary>What would register a service that nobody registers yet.</summary>
    public static IReadOnlyList<string> Suggest(TypeRef service, Level level)
    {
        if (service.IsValueType || service.DefinitionName == TypeRef.Text)
        {
            return ["put it into a settings class of your own, and ask for that", $"register it: Singleton.Value<{service.Name}>(…)"];
        }

        string start = Start(level);
        return CanBeConstructed(service)
            ? [$"register it: {start}.Of<{service.Name}>()", $"promise it, if only whoever builds knows it: Singleton.Incoming<{service.Name}>()"]
            : [$"register it: {start}.Of<{service.Name}, TheClass>(), with the class that implements it"];
    }

    /// <summary>The factory that makes a node through one of its constructors.</summary>
    public static string Factory(Node node, Constructor constructor)
    {
        string made = node.Made.Name;
        string parameters = string.Join(", ", constructor.Parameters.Select(parameter => $"{parameter.Type.Name} {parameter.Name}"));
        string arguments = string.Join(", ", constructor.Parameters.Select(parameter => parameter.Name));
        string returned = node.Services[0].Equals(node.Made) ? "" : $"{node.Services[0].Name} ";
        return $"{(node.IsDecorator ? "Decorator" : Start(node.Level))}.From({returned}({parameters}) => new {made}({arguments}))";
    }

    /// <summary>The word that a registration of this lifetime starts with.</summary>
    public static string Start(Level level) =>
        level == Level.Singleton ? "Singleton" : level == Level.Scoped ? "Scoped" : level == Level.Transient ? "Transient" : AsIdentifier(level.Name);

    /// <summary>A level's name as a field would most likely be called that holds it: <c>duty shift</c> is <c>DutyShift</c>.</summary>
    private static string AsIdentifier(string name) => string.Concat(name
        .Split([' ', '-'], StringSplitOptions.RemoveEmptyEntries)
        .Select(word => char.ToUpperInvariant(word[0]) + word.Substring(1)));

    private static bool CanBeConstructed(TypeRef type) => !type.IsInterface && !type.IsAbstract && !type.IsDelegate;
}
