namespace Junctivor.Generators.Checking;

/// <summary>A member as a file declares it.</summary>
/// <param name="Type">The type that it belongs to.</param>
/// <param name="Name">Its name; of a constructor, that of the class.</param>
/// <param name="Text">All of it but its body.</param>
/// <param name="IsConstructor">Whether it is a constructor.</param>
internal sealed record DeclaredMember(string Type, string Name, string Text, bool IsConstructor);
