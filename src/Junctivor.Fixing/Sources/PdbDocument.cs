using System.Security.Cryptography;

namespace Junctivor.Fixing.Sources;

/// <summary>A source file as the symbols know it.</summary>
/// <param name="Path">The file, as the compiler was given it.</param>
/// <param name="Hash">How its content was hashed; null if it was not.</param>
/// <param name="Checksum">The hash of its content.</param>
/// <param name="Embedded">Its content, where that stands in the symbols: as a rule, what a source generator wrote.</param>
internal sealed record PdbDocument(string Path, HashAlgorithmName? Hash, byte[] Checksum, byte[]? Embedded)
{
    /// <summary>Whether a content is what was compiled; false if nobody can tell.</summary>
    public bool IsCompiledFrom(byte[] content) =>
        Hash is { } algorithm && CryptographicOperations.HashData(algorithm, content).AsSpan().SequenceEqual(Checksum);
}
