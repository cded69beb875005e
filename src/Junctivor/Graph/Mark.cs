namespace Junctivor.Graph;

/// <summary>What tells apart several registrations of one type: a type or a text, never both.</summary>
internal sealed record Mark
{
    private Mark(string? text, TypeRef? type)
    {
        Text = text;
        Type = type;
    }

    public string? Text { get; }

    public TypeRef? Type { get; }

    /// <summary>Asks for all, marked or not; nothing is registered under it.</summary>
    public static Mark OrNot { get; } = new(null, null);

    public static Mark Of(string text) => new(text, null);

    public static Mark Of(TypeRef type) => new(null, type);

    public override string ToString() => this == OrNot ? "or not" : Type is null ? $"\"{Text}\"" : Type.Name;
}
