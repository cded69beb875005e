// Writes the pages of the documentation site: those of docs/, with links that a reader of the site has; and one for each fault code.
// usage: dotnet run eng/SitePages.cs -- ROOT OUTPUT
using System.Text.RegularExpressions;

string root = Path.GetFullPath(args[0]);
string output = Path.GetFullPath(args[1]);
string docs = Path.Combine(root, "docs");
string address = Regex.Match(
    File.ReadAllText(Path.Combine(root, "src", "Directory.Build.targets")), "<ProjectAddress>(.*)</ProjectAddress>").Groups[1].Value;
(string Title, string File)[] pages =
[
    ("Registering services", "registering.md"), ("Scopes", "scopes.md"), ("In a web server", "web.md"),
    ("Workers and programs", "workers.md"), ("Exceptions and disposal", "exceptions.md"), ("Observing", "observing.md"),
    ("With frameworks", "frameworks.md"), ("Testing", "testing.md"),
    ("The examples", "examples.md"),
    ("What the compiler finds", "compile-time.md"), ("The command", "command.md"), ("Native programs", "native.md"),
    ("Performance", "performance.md"), ("Reliability", "reliability.md"), ("File formats", "formats.md"), ("Glossary", "glossary.md"),
];

Directory.CreateDirectory(output);
Write("index.md", "", File.ReadAllText(Path.Combine(root, "README.md")), root);
foreach (string file in Directory.EnumerateFiles(docs, "*.md").Where(file => Path.GetFileName(file) != "faults.md"))
{
    Write(Path.GetFileName(file), "guide", File.ReadAllText(file), docs);
}

string unlisted = string.Join(", ", Directory.EnumerateFiles(docs, "*.md").Select(Path.GetFileName)
    .Where(file => file != "faults.md" && !pages.Any(page => page.File == file)));
if (unlisted.Length > 0)
{
    Console.Error.WriteLine($"{unlisted}: no title in eng/SitePages.cs, so the site would not list it.");
    return 1;
}

string[] parts = Regex.Split(File.ReadAllText(Path.Combine(docs, "faults.md")), "(?m)^## (?=JV)");
List<(string Title, string File)> faults = [];
foreach (string fault in parts.Skip(1))
{
    string title = fault.Split('\n')[0].Trim();
    string file = $"{title.Split(' ')[0].ToLowerInvariant()}.md";
    faults.Add((title, file));
    Write(file, "faults", $"# {fault}", docs);
}

string all = string.Join('\n', faults.Select(fault => $"- [{fault.Title}](faults.md#{Path.GetFileNameWithoutExtension(fault.File)})"));
Write("index.md", "faults", $"{parts[0]}\n## All faults\n\n{all}\n", docs);
WriteToc("faults", [("All faults", "index.md"), .. faults]);
WriteToc("guide", pages);
WriteToc("", [("Guide", "guide/"), ("Faults", "faults/"), ("Public interface", "api/")]);
Directory.CreateDirectory(Path.Combine(output, "screenshots"));
foreach (string picture in Directory.EnumerateFiles(Path.Combine(docs, "screenshots"), "*.png"))
{
    File.Copy(picture, Path.Combine(output, "screenshots", Path.GetFileName(picture)));
}

File.Copy(Path.Combine(root, "eng", "icon.png"), Path.Combine(output, "icon.png"));
File.Copy(Path.Combine(docs, "site", "docfx.json"), Path.Combine(output, "docfx.json"));
return 0;

void Write(string file, string folder, string text, string writtenIn)
{
    Directory.CreateDirectory(Path.Combine(output, folder));
    File.WriteAllText(Path.Combine(output, folder, file), Linked(text, writtenIn, folder));
}

void WriteToc(string folder, IEnumerable<(string Title, string File)> entries) => File.WriteAllText(
    Path.Combine(output, folder, "toc.yml"),
    string.Concat(entries.Select(entry => $"- name: \"{entry.Title}\"\n  href: {entry.File}\n")));

// What is a page or a picture of the site becomes a link between its pages; the rest of the repository is at its address.
string Linked(string text, string writtenIn, string folder) => Regex.Replace(text, @"(?<=\]\()([^)\s]+)(?=\))", match =>
{
    string[] link = match.Value.Split('#', 2);
    string anchor = link.Length == 2 ? $"#{link[1]}" : "";
    if (link[0].Length == 0 || link[0].Contains("://", StringComparison.Ordinal))
    {
        return match.Value;
    }

    string target = Path.GetRelativePath(root, Path.GetFullPath(link[0], writtenIn)).Replace('\\', '/');
    return PageOf(target, anchor) is { } page
        ? Path.GetRelativePath(Path.Combine(output, folder), Path.Combine(output, page)).Replace('\\', '/')
        : Path.Exists(Path.Combine(root, target))
            ? $"{address}/source/{target}{anchor}"
            : throw new InvalidOperationException($"{match.Value} in {writtenIn} leads nowhere.");
});

static string? PageOf(string target, string anchor) => target switch
{
    "README.md" => $"index.md{anchor}",
    "docs/faults.md" => anchor.Length == 0 ? "faults/index.md" : $"faults/{anchor[1..].Split('-')[0]}.md",
    _ when target.StartsWith("docs/screenshots/", StringComparison.Ordinal) => target["docs/".Length..],
    _ when Regex.IsMatch(target, @"^docs/[^/]+\.md$") => $"guide/{target["docs/".Length..]}{anchor}",
    _ => null,
};
