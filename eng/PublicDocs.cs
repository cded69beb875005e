#:package Microsoft.CodeAnalysis.CSharp
// Leaves in the documentation of a package what is public: the compiler writes down everything.
// usage: dotnet run eng/PublicDocs.cs -- PACKAGE.nupkg…
using System.IO.Compression;
using System.Runtime.InteropServices;
using System.Xml.Linq;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

// A method is found by the types of its parameters, so these must be there: those of the frameworks, and of our other packages.
string shared = Path.GetFullPath(Path.Combine(RuntimeEnvironment.GetRuntimeDirectory(), "..", ".."));
List<MetadataReference> others =
[
    .. Directory.EnumerateFiles(RuntimeEnvironment.GetRuntimeDirectory(), "*.dll")
        .Concat(Directory.EnumerateDirectories(Path.Combine(shared, "Microsoft.AspNetCore.App")).TakeLast(1)
            .SelectMany(folder => Directory.EnumerateFiles(folder, "*.dll")))
        .Select(file => MetadataReference.CreateFromFile(file)),
    .. args.SelectMany(file => Libraries(file)),
];

foreach (string file in args)
{
    using ZipArchive package = ZipFile.Open(file, ZipArchiveMode.Update);
    List<ZipArchiveEntry> documentations =
        [.. package.Entries.Where(entry => entry.FullName.EndsWith(".xml", StringComparison.Ordinal))];
    foreach (ZipArchiveEntry documentation in documentations)
    {
        if (package.GetEntry(Path.ChangeExtension(documentation.FullName, ".dll")) is not { } assembly)
        {
            continue;
        }

        // Only what is public or protected is read of an assembly, so that an identifier of anything else names nothing.
        CSharpCompilation compilation = CSharpCompilation.Create(
            "Documentation", references: [Read(assembly), .. others],
            options: new CSharpCompilationOptions(
                OutputKind.DynamicallyLinkedLibrary, metadataImportOptions: MetadataImportOptions.Public));
        XDocument document;
        using (Stream content = documentation.Open())
        {
            document = XDocument.Load(content, LoadOptions.PreserveWhitespace);
        }

        List<XElement> members = [.. document.Descendants("member")];
        List<XElement> hidden = [.. members.Where(member => !IsPublic((string?)member.Attribute("name"), compilation))];
        hidden.ForEach(member => member.Remove());
        string name = documentation.FullName;
        documentation.Delete();
        using (Stream content = package.CreateEntry(name).Open())
        {
            document.Save(content);
        }

        Console.WriteLine($"{Path.GetFileName(file)}: {name} documents {members.Count - hidden.Count} public members");
    }
}

static MetadataReference Read(ZipArchiveEntry assembly)
{
    using MemoryStream image = new();
    using Stream content = assembly.Open();
    content.CopyTo(image);
    return MetadataReference.CreateFromImage(image.ToArray());
}

static IReadOnlyList<MetadataReference> Libraries(string file)
{
    using ZipArchive package = ZipFile.OpenRead(file);
    return [.. package.Entries.Where(entry => entry.FullName.StartsWith("lib/", StringComparison.Ordinal)
        && entry.FullName.EndsWith(".dll", StringComparison.Ordinal)).Select(Read)];
}

static bool IsPublic(string? id, Compilation compilation)
{
    for (ISymbol? symbol = id is null ? null : DocumentationCommentId.GetFirstSymbolForDeclarationId(id, compilation);
        symbol is not null and not INamespaceSymbol;
        symbol = symbol.ContainingSymbol)
    {
        if (symbol.DeclaredAccessibility is not (Accessibility.Public or Accessibility.Protected or Accessibility.ProtectedOrInternal))
        {
            return false;
        }

        if (symbol.ContainingSymbol is INamespaceSymbol)
        {
            return true;
        }
    }

    return false;
}
