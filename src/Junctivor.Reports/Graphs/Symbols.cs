using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;

namespace Junctivor.Reports.Graphs;

/// <summary>Opens the symbols that the compiler writes beside an assembly, or into it.</summary>
internal static class Symbols
{
    /// <summary>Reads an assembly with its symbols; does nothing where there are none.</summary>
    public static void Read(Assembly assembly, Action<MetadataReader, MetadataReader> read)
    {
        if (PathOf(assembly) is not { Length: > 0 } path)
        {
            return;
        }

        try
        {
            using FileStream image = File.OpenRead(path);
            using PEReader reader = new(image);
            if (reader.TryOpenAssociatedPortablePdb(path, OpenIfThere, out MetadataReaderProvider? provider, out _))
            {
                using (provider)
                {
                    read(reader.GetMetadataReader(), provider!.GetMetadataReader());
                }
            }
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException or BadImageFormatException)
        {
            // Then nothing is known of it.
        }
    }

    [UnconditionalSuppressMessage("SingleFile", "IL3000", Justification = "Without a file there are no symbols, and no place is known.")]
    private static string? PathOf(Assembly assembly) => assembly.IsDynamic ? null : assembly.Location;

    private static FileStream? OpenIfThere(string path) => File.Exists(path) ? File.OpenRead(path) : null;
}
