using System.IO.Compression;
using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;
using System.Security.Cryptography;
using System.Text;

namespace Junctivor.Fixing.Sources;

/// <summary>What the symbols of an assembly say about the sources that it was compiled from.</summary>
internal sealed class PdbSources
{
    private static readonly Guid EmbeddedSource = new("0e8a571b-6926-466e-b4ad-8ab04611f5fe");
    private static readonly Guid Options = new("b5feec05-8cd0-4a83-96da-466284bb4bd8");
    private static readonly Guid References = new("7e4d4708-096e-4c5c-aeda-cb10ba6a740d");
    private static readonly Guid Sha1 = new("ff1816ec-aa5e-4d10-87f7-6f4963833460");
    private static readonly Guid Sha256 = new("8829d00f-11b8-4213-878b-770e8597ac16");

    /// <summary>The files that stand on disk, and the texts that the compiler was given otherwise.</summary>
    public IReadOnlyList<PdbDocument> Documents { get; private init; } = [];

    /// <summary>The options of the compiler, by name.</summary>
    public IReadOnlyDictionary<string, string> CompilerOptions { get; private init; } = new Dictionary<string, string>();

    /// <summary>The file names of the assemblies that it was compiled against.</summary>
    public IReadOnlyList<string> ReferenceNames { get; private init; } = [];

    /// <exception cref="CannotFixException">There are no symbols, or not in the portable form.</exception>
    public static PdbSources Of(string assembly)
    {
        using FileStream image = File.OpenRead(assembly);
        using PEReader reader = new(image);
        if (!reader.TryOpenAssociatedPortablePdb(assembly, OpenIfThere, out MetadataReaderProvider? provider, out _))
        {
            throw new CannotFixException(
                $"{Path.GetFileName(assembly)} has no symbols: build it with DebugType portable, and keep the .pdb beside it.");
        }

        using (provider)
        {
            MetadataReader symbols = provider!.GetMetadataReader();
            return new PdbSources
            {
                Documents = [.. symbols.Documents.Select(handle => Read(symbols, handle))],
                CompilerOptions = ReadOptions(symbols),
                ReferenceNames = [.. ReadReferences(symbols)],
            };
        }
    }

    private static FileStream? OpenIfThere(string path) => File.Exists(path) ? File.OpenRead(path) : null;

    private static PdbDocument Read(MetadataReader symbols, DocumentHandle handle)
    {
        Document document = symbols.GetDocument(handle);
        byte[]? embedded = Find(symbols, handle, EmbeddedSource);
        Guid algorithm = symbols.GetGuid(document.HashAlgorithm);
        HashAlgorithmName? hash = algorithm == Sha256 ? HashAlgorithmName.SHA256 : algorithm == Sha1 ? HashAlgorithmName.SHA1 : null;
        return new PdbDocument(
            symbols.GetString(document.Name), hash, symbols.GetBlobBytes(document.Hash), embedded is null ? null : Unpack(embedded));
    }

    private static byte[]? Find(MetadataReader symbols, EntityHandle parent, Guid kind) => symbols.GetCustomDebugInformation(parent)
        .Select(symbols.GetCustomDebugInformation)
        .Where(information => symbols.GetGuid(information.Kind) == kind)
        .Select(information => symbols.GetBlobBytes(information.Value))
        .FirstOrDefault();

    /// <summary>Four bytes with the size of what is packed, or 0 if it is not; then the text.</summary>
    private static byte[] Unpack(byte[] blob)
    {
        if (BitConverter.ToInt32(blob) == 0)
        {
            return blob[sizeof(int)..];
        }

        using DeflateStream packed = new(new MemoryStream(blob, sizeof(int), blob.Length - sizeof(int)), CompressionMode.Decompress);
        using MemoryStream text = new();
        packed.CopyTo(text);
        return text.ToArray();
    }

    private static Dictionary<string, string> ReadOptions(MetadataReader symbols)
    {
        string[] words = Encoding.UTF8.GetString(Find(symbols, EntityHandle.ModuleDefinition, Options) ?? []).Split('\0');
        return Enumerable.Range(0, words.Length / 2).ToDictionary(pair => words[2 * pair], pair => words[(2 * pair) + 1]);
    }

    /// <summary>For each: the name and the aliases, each closed by a zero; a byte; two numbers; and an identifier.</summary>
    private static IEnumerable<string> ReadReferences(MetadataReader symbols)
    {
        const int BehindTheNames = sizeof(byte) + sizeof(int) + sizeof(int) + 16;
        byte[] blob = Find(symbols, EntityHandle.ModuleDefinition, References) ?? [];
        for (int position = 0; position < blob.Length;)
        {
            int nameEnd = Array.IndexOf(blob, (byte)0, position);
            int aliasesEnd = Array.IndexOf(blob, (byte)0, nameEnd + 1);
            yield return Encoding.UTF8.GetString(blob, position, nameEnd - position);
            position = aliasesEnd + 1 + BehindTheNames;
        }
    }
}
