#:project ../examples/Mistakes/Mistakes.csproj
#:property PublishAot=false
// Writes the table of codes and the examples of docs/faults.md: each sample of examples/Mistakes, and the report on it.
// usage: dotnet run eng/FaultDocs.cs

using Mistakes;

string page = Path.Combine(Directory.GetCurrentDirectory(), "docs", "faults.md");
if (!File.Exists(page))
{
    Console.Error.WriteLine("Run this from the root of the repository.");
    return 2;
}

string text = File.ReadAllText(page);
foreach (Mistake mistake in Collection.All)
{
    int section = text.IndexOf($"\n## {mistake.Code} ", StringComparison.Ordinal);
    text = Fill(text, section, "csharp", mistake.Source());
    text = Fill(text, section, "text", string.Join("\n\n", mistake.Show().All));
}

int table = text.IndexOf("\n| code | name |", StringComparison.Ordinal) + 1;
text = text[..table] + CodeTable.Text() + text[text.IndexOf("\n\n", table, StringComparison.Ordinal)..];
File.WriteAllText(page, text);
return 0;

static string Fill(string text, int section, string language, string block)
{
    string fence = $"```{language}\n";
    int start = text.IndexOf(fence, section, StringComparison.Ordinal) + fence.Length;
    int end = text.IndexOf("```", start, StringComparison.Ordinal);
    return text[..start] + block + "\n" + text[end..];
}
