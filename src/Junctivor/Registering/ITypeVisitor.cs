namespace Junctivor.Registering;

/// <summary>What is done with the type of a <see cref="TypeToken"/>.</summary>
internal interface ITypeVisitor
{
    object Visit<T>()
        where T : notnull;
}
