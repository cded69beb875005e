using Junctivor.Reports.Drawing;
using Junctivor.Reports.Recording;

namespace Junctivor;

/// <summary>A recording of the scopes of a container: see <see cref="ScopeRecordings.RecordScopes(Container, string)"/>. All members are
/// safe for use by several threads.</summary>
public sealed class ScopeRecording : IDisposable
{
    private readonly Lock _gate = new();
    private readonly DrawnGraph _drawing;
    private readonly ScopeRecorder _recorder;
    private readonly IDisposable _observation;
    private bool _isDisposed;

    internal ScopeRecording(Container container, FileInfo file, RecordingOptions options)
    {
        container.ThrowIfDisposed();
        DrawnContainer drawn = DrawnContainer.Of(options.Name, container);
        _drawing = drawn.Drawing;
        _recorder = new ScopeRecorder(container, options.Scopes, drawn.KeyOf);
        File = file;
        _observation = container.Observers.Add(_recorder);
    }

    /// <summary>The file that is written.</summary>
    public FileInfo File { get; }

    /// <summary>Writes what was recorded until now, and goes on recording.</summary>
    /// <exception cref="IOException">The file cannot be written.</exception>
    /// <exception cref="UnauthorizedAccessException">The file cannot be written.</exception>
    public void Save()
    {
        lock (_gate)
        {
            // A file that is only half written would be neither the old recording nor the new one.
            string beside = $"{File.FullName}.new";
            System.IO.File.WriteAllText(beside, Timeline.Write(_drawing, _recorder));
            System.IO.File.Move(beside, File.FullName, overwrite: true);
        }
    }

    /// <summary>Stops recording, and writes the file; a second call does nothing.</summary>
    /// <exception cref="IOException">The file cannot be written.</exception>
    /// <exception cref="UnauthorizedAccessException">The file cannot be written.</exception>
    public void Dispose()
    {
        lock (_gate)
        {
            if (_isDisposed)
            {
                return;
            }

            _isDisposed = true;
            _observation.Dispose();
            Save();
        }
    }
}
