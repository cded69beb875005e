using System.Diagnostics;
using System.Text.Json;
using StreamJsonRpc;

namespace Junctivor.Package.Tests;

/// <summary>A language server, as editors use it: it has a solution open, and a document of it that is edited.</summary>
internal sealed class LanguageServer : IAsyncDisposable
{
    /// <summary>The tool, from the registry that packages come from.</summary>
    private const string Tool = "csharp-ls";
    private const string ToolVersion = "0.28.0";

    private readonly Process _process;
    private readonly JsonRpc _connection;
    private readonly Uri _document;
    private int _version = 1;

    private LanguageServer(Process process, JsonRpc connection, Uri document)
    {
        _process = process;
        _connection = connection;
        _document = document;
    }

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    /// <summary>Installs the tool.</summary>
    /// <returns>The program; null if it cannot be installed.</returns>
    public static async Task<string?> InstallAsync(string folder)
    {
        string tools = Path.Combine(folder, "tools");
        try
        {
            await PackedLibrary.RunAsync(folder, "dotnet", "tool", "install", Tool, "--version", ToolVersion, "--tool-path", tools);
        }
        catch (InvalidOperationException)
        {
            return null;
        }

        return Path.Combine(tools, Tool);
    }

    /// <summary>Starts it for a folder with a solution, and opens a document.</summary>
    public static async Task<LanguageServer> OpenAsync(string program, string folder, string file, string text)
    {
        Process process = Process.Start(new ProcessStartInfo(program, ["--loglevel", "error"])
        {
            WorkingDirectory = folder,
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        })!;
        process.BeginErrorReadLine();
        JsonRpc connection = new(
            new HeaderDelimitedMessageHandler(
                process.StandardInput.BaseStream, process.StandardOutput.BaseStream, new SystemTextJsonFormatter()),
            new Editor());
        connection.StartListening();
        Uri root = new(folder);
        await connection.InvokeWithParameterObjectAsync<JsonElement>(
            "initialize",
            new
            {
                processId = Environment.ProcessId,
                rootUri = root,
                workspaceFolders = new[] { new { uri = root, name = "solution" } },
                capabilities = new { workspace = new { configuration = true }, textDocument = new { diagnostic = new { } } },
            },
            Token);
        await connection.NotifyWithParameterObjectAsync("initialized", new { });
        Uri document = new(Path.Combine(folder, file));
        await connection.NotifyWithParameterObjectAsync(
            "textDocument/didOpen", new { textDocument = new { uri = document, languageId = "csharp", version = 1, text } });
        return new LanguageServer(process, connection, document);
    }

    /// <summary>Puts another text into the document, which is not saved.</summary>
    public Task EditAsync(string text) => _connection.NotifyWithParameterObjectAsync(
        "textDocument/didChange",
        new { textDocument = new { uri = _document, version = ++_version }, contentChanges = new[] { new { text } } });

    /// <summary>What it shows of us in the document: the line, counted from 1, the severity, and the text.</summary>
    public async Task<IReadOnlyList<string>> ShownAsync()
    {
        JsonElement shown = await _connection.InvokeWithParameterObjectAsync<JsonElement>(
            "textDocument/diagnostic", new { textDocument = new { uri = _document } }, Token);
        IEnumerable<string> ofOurs =
            from item in shown.GetProperty("items").EnumerateArray()
            let code = item.GetProperty("code").GetString()
            where code!.StartsWith("JV", StringComparison.Ordinal)
            let line = item.GetProperty("range").GetProperty("start").GetProperty("line").GetInt32() + 1
            let severity = item.GetProperty("severity").GetInt32() switch { 1 => "error", 2 => "warning", _ => "info" }
            select $"{line}: {severity} {code}: {item.GetProperty("message").GetString()}";
        return [.. ofOurs.Order(StringComparer.Ordinal)];
    }

    /// <summary>What it shows of us, with the text that is underlined.</summary>
    /// <param name="text">The text of the document.</param>
    public async Task<IReadOnlyList<string>> UnderlinedAsync(string text)
    {
        JsonElement shown = await _connection.InvokeWithParameterObjectAsync<JsonElement>(
            "textDocument/diagnostic", new { textDocument = new { uri = _document } }, Token);
        return
        [
            .. shown.GetProperty("items").EnumerateArray()
                .Where(item => item.GetProperty("code").GetString()!.StartsWith("JV", StringComparison.Ordinal))
                .Select(item => $"{item.GetProperty("code").GetString()} {TextIn(item.GetProperty("range"), text)}"),
        ];
    }

    private static string TextIn(JsonElement range, string text)
    {
        (int Line, int Character) start = PositionOf(range.GetProperty("start"));
        (int Line, int Character) end = PositionOf(range.GetProperty("end"));
        string line = text.Split('\n')[start.Line];
        return line[start.Character..(start.Line == end.Line ? end.Character : line.Length)];
    }

    private static (int Line, int Character) PositionOf(JsonElement position) =>
        (position.GetProperty("line").GetInt32(), position.GetProperty("character").GetInt32());

    public async ValueTask DisposeAsync()
    {
        _connection.Dispose();
        _process.Kill(entireProcessTree: true);
        await _process.WaitForExitAsync(CancellationToken.None);
        _process.Dispose();
    }

    /// <summary>What an editor answers.</summary>
    private sealed class Editor
    {
        [JsonRpcMethod("workspace/configuration", UseSingleObjectParameterDeserialization = true)]
        public object[] Configure(JsonElement asked) =>
            [.. asked.GetProperty("items").EnumerateArray().Select(_ => new { analyzersEnabled = true })];

        [JsonRpcMethod("client/registerCapability", UseSingleObjectParameterDeserialization = true)]
        public object? Register(JsonElement asked) => null;

        [JsonRpcMethod("window/workDoneProgress/create", UseSingleObjectParameterDeserialization = true)]
        public object? Create(JsonElement asked) => null;
    }
}
