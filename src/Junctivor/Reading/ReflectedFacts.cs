using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>Reads a type by reflection.</summary>
internal sealed class ReflectedFacts(Type type, TypeCatalog types) : ITypeFacts
{
    public string ReadQualifiedName() => TypeNames.Qualified(type);

    public IReadOnlyList<TypeRef> ReadSupertypes()
    {
        IEnumerable<Type> supertypes = TypeCatalog.AllSupertypes(type);
        return [.. (type.IsGenericTypeDefinition ? supertypes.Select(OfDefinition) : supertypes).Distinct().Select(supertype => types[supertype])];

        static Type OfDefinition(Type supertype) => supertype.IsGenericType ? supertype.GetGenericTypeDefinition() : supertype;
    }

    public IReadOnlyList<string> ReadState() => OwnState.Of(type);

    public bool ReadIsDisposable() => typeof(IDisposable).IsAssignableFrom(type) || typeof(IAsyncDisposable).IsAssignableFrom(type);
}
