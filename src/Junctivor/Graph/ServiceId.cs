namespace Junctivor.Graph;

/// <summary>What is resolved and offered: a type, and a mark where there is one.</summary>
internal readonly record struct ServiceId(TypeRef Type, Mark? Mark = null)
{
    public override string ToString() => Mark is null ? Type.Name : $"{Type.Name} marked {Mark}";
}
