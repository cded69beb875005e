using System.Text.Json;
using Junctivor.Reports.Drawing;

namespace Junctivor.Reports.Recording;

/// <summary>
/// Records a container as long as somebody watches: from the first one who comes to the last one who goes, and then nothing of it is kept.
/// Safe for use by several threads.
/// </summary>
/// <param name="name">What the wiring is called.</param>
/// <param name="container">The container.</param>
internal sealed class LiveRecording(string name, Container container)
{
    private const int Kept = 100;

    private readonly Lock _gate = new();
    private readonly Lazy<DrawnContainer> _drawn = new(() => DrawnContainer.Of(name, container));
    private ScopeRecorder? _recorder;
    private IDisposable? _observation;
    private int _watching;

    /// <summary>The page, which wants the events.</summary>
    public string Page => PageText.WriteLive(_drawn.Value.Drawing);

    /// <summary>Somebody watches, until what comes back is disposed.</summary>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public Watch Begin()
    {
        lock (_gate)
        {
            if (_watching == 0)
            {
                container.ThrowIfDisposed();
                _recorder = new ScopeRecorder(container, Kept, _drawn.Value.KeyOf);
                _observation = container.Observers.Add(_recorder);
            }

            _watching++;
            return new Watch(this, _recorder!);
        }
    }

    /// <summary>Leaves out a scope that only serves those who watch.</summary>
    public void Forget(Scope scope)
    {
        lock (_gate)
        {
            _recorder?.Forget(scope);
        }
    }

    private void End()
    {
        lock (_gate)
        {
            if (--_watching == 0)
            {
                _observation!.Dispose();
                _observation = null;
                _recorder = null;
            }
        }
    }

    /// <summary>One who watches. For use by one thread at a time.</summary>
    internal sealed class Watch(LiveRecording recording, ScopeRecorder recorder) : IDisposable
    {
        private long _seen = ScopeRecorder.Beginning;

        /// <summary>What has changed since the last time, as JSON; null where nothing has.</summary>
        public string? TakeChanges()
        {
            if (!recorder.HasChanged(_seen))
            {
                return null;
            }

            string changes = "";
            _seen = recorder.Read(_seen, recorded => changes = JsonSerializer.Serialize(recorded, DrawingContext.ForPage.Recorded));
            return changes;
        }

        public void Dispose() => recording.End();
    }
}
