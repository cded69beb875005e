using System.Diagnostics;
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

    /// <summary>How many scopes are recorded in each <see cref="Window"/>: more than anybody can look at, and so few that a container that
    /// starts a million in a second is hardly slower.</summary>
    private const int MostInWindow = 40;

    private static readonly TimeSpan Window = TimeSpan.FromMilliseconds(200);

    private readonly Lock _gate = new();
    private readonly Lazy<DrawnContainer> _drawn = new(() => DrawnContainer.Of(name, container));
    private ScopeRecorder? _recorder;
    private IDisposable? _observation;
    private int _watching;
    private long _windowBegan;
    private bool _isResting;

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
                ScopeRecorder recorder = new(container, Kept, _drawn.Value.KeyOf, MostInWindow);

                // Not on the thread of the scope, which may hold anything.
                recorder.Full += () => ThreadPool.UnsafeQueueUserWorkItem(_ => Rest(recorder), null);
                _recorder = recorder;
                _isResting = false;
                _windowBegan = Stopwatch.GetTimestamp();
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

    /// <summary>Leaves the container alone until the next window.</summary>
    private void Rest(ScopeRecorder recorder)
    {
        lock (_gate)
        {
            if (recorder == _recorder && !_isResting && recorder.IsFull)
            {
                container.Observers.Rest(recorder);
                recorder.Rest();
                _isResting = true;
            }
        }
    }

    /// <summary>Begins a window, if it is time. One in which enough was recorded ends even if the scopes in it do not: then the next is a
    /// rest.</summary>
    private void Advance()
    {
        lock (_gate)
        {
            if (_recorder is null || Stopwatch.GetElapsedTime(_windowBegan) < Window)
            {
                return;
            }

            _windowBegan = Stopwatch.GetTimestamp();
            if (!_isResting && _recorder.IsFull)
            {
                Rest(_recorder);
                return;
            }

            _recorder.BeginWindow();
            if (_isResting)
            {
                _isResting = false;
                container.Observers.Resume(_recorder);
            }
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

        /// <summary>What has changed since the last time, as JSON; null if nothing has.</summary>
        public string? TakeChanges()
        {
            recording.Advance();
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
