namespace Junctivor.Graph;

/// <summary>What is read of a type only where a rule wants to know: each is asked at most once.</summary>
internal interface ITypeFacts
{
    /// <summary>Gives the name with its namespace.</summary>
    string ReadQualifiedName();

    /// <summary>Gives the base classes and interfaces; of a generic definition, the definitions of those.</summary>
    IReadOnlyList<TypeRef> ReadSupertypes();

    /// <summary>Gives what an object keeps of its own, beside what its constructor was given.</summary>
    IReadOnlyList<string> ReadState();

    /// <summary>Whether an instance has something to end.</summary>
    bool ReadIsDisposable();
}
