namespace Junctivor.Cli.Output;

/// <summary>A file whose new content stands in another file beside it, until that takes its place.</summary>
internal sealed class WrittenFile : IDisposable
{
    private readonly FileInfo _file;
    private readonly byte[] _former;
    private readonly string _beside;
    private bool _isReplaced;

    /// <param name="file">The file.</param>
    /// <param name="former">What stands in it.</param>
    /// <param name="content">What is to stand in it.</param>
    public WrittenFile(FileInfo file, byte[] former, byte[] content)
    {
        _file = file;
        _former = former;
        _beside = Write(file, content);
    }

    /// <summary>Puts the new content in the place of the former one, in one step.</summary>
    public void Replace()
    {
        File.Move(_beside, _file.FullName, overwrite: true);
        _isReplaced = true;
    }

    /// <summary>Puts the former content back, if it was replaced.</summary>
    public void Restore()
    {
        if (_isReplaced)
        {
            File.Move(Write(_file, _former), _file.FullName, overwrite: true);
            _isReplaced = false;
        }
    }

    public void Dispose() => File.Delete(_beside);

    /// <summary>Writes a content beside a file, with the permissions of that.</summary>
    private static string Write(FileInfo file, byte[] content)
    {
        string beside = Path.Combine(file.DirectoryName!, $".{file.Name}.{Environment.ProcessId}.tmp");
        using (FileStream stream = new(beside, FileMode.Create, FileAccess.Write))
        {
            stream.Write(content);
            stream.Flush(flushToDisk: true);
        }

        if (!OperatingSystem.IsWindows())
        {
            File.SetUnixFileMode(beside, file.UnixFileMode);
        }

        return beside;
    }
}
