using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Runtime;

/// <summary>The frames of a construction. It keeps their objects for the next one, unless they have become many.</summary>
internal sealed class FrameStack
{
    private const int Kept = 64;

    private Frame?[] _frames = new Frame?[8];
    private int _count;

    /// <summary>The outermost first.</summary>
    public IEnumerable<Frame> FromBelow => _frames.Take(_count).Select(frame => frame!);

    public void Push(Plan plan, ArgumentOf parameter, Resolver home, Claim? claim, int madeBefore)
    {
        if (_count == _frames.Length)
        {
            Array.Resize(ref _frames, _count * 2);
        }

        (_frames[_count] ??= new Frame()).Begin(plan, parameter, home, claim, madeBefore);
        _count++;
    }

    public bool TryPeek([NotNullWhen(true)] out Frame? frame) => TryPeek(0, out frame);

    /// <param name="below">How many lie above it.</param>
    /// <param name="frame">The frame.</param>
    public bool TryPeek(int below, [NotNullWhen(true)] out Frame? frame)
    {
        frame = below < _count ? _frames[_count - 1 - below] : null;
        return frame is not null;
    }

    public void Pop() => _frames[--_count]!.End();

    /// <summary>Lets go of frames that only something very deep needed.</summary>
    public void Trim()
    {
        if (_frames.Length > Kept)
        {
            _frames = new Frame?[8];
        }
    }
}
