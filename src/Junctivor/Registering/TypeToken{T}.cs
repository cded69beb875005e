namespace Junctivor.Registering;

/// <summary>The token of <typeparamref name="T"/>.</summary>
internal sealed class TypeToken<T> : TypeToken
    where T : notnull
{
    public static readonly TypeToken<T> Instance = new();

    public override Type Type => typeof(T);

    public override object Open(ITypeVisitor visitor) => visitor.Visit<T>();
}
