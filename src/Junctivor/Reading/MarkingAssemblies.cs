using System.Reflection;
using System.Reflection.Metadata;

namespace Junctivor.Reading;

/// <summary>
/// Knows where marks, and properties to fill, can stand at all. Looking for them takes longer than all the rest of reading a class, and
/// most assemblies have none: one that uses an attribute has its name in its metadata. Safe for use by several threads.
/// </summary>
internal sealed class MarkingAssemblies
{
    private readonly Lock _gate = new();
    private Answer? _last;

    /// <summary>Whether something in an assembly may carry a mark.</summary>
    public bool MayMark(Assembly assembly) => Of(assembly).HasMarks;

    /// <summary>Whether a class or one that it derives from may have properties that are required, or marked
    /// <see cref="InjectAttribute"/>.</summary>
    public bool MayMarkProperties(Type type)
    {
        for (Type? declaring = type; declaring is not null && declaring != typeof(object); declaring = declaring.BaseType)
        {
            if (Of(declaring.Assembly).HasFilledProperties)
            {
                return true;
            }
        }

        return false;
    }

    private Answer Of(Assembly assembly)
    {
        for (Answer? answer = Volatile.Read(ref _last); answer is not null; answer = answer.Earlier)
        {
            if (answer.Assembly == assembly)
            {
                return answer;
            }
        }

        lock (_gate)
        {
            Answer found = Read(assembly, _last);
            Volatile.Write(ref _last, found);
            return found;
        }
    }

    /// <summary>Where there is no metadata to look into, as in a natively compiled program, anything may be there.</summary>
    private static unsafe Answer Read(Assembly assembly, Answer? earlier)
    {
        if (!assembly.TryGetRawMetadata(out byte* start, out int length))
        {
            return new Answer(assembly, true, true, earlier);
        }

        ReadOnlySpan<byte> metadata = new(start, length);
        return new Answer(
            assembly,
            metadata.IndexOf("MarkedAttribute"u8) >= 0,
            metadata.IndexOf("InjectAttribute"u8) >= 0 || metadata.IndexOf("RequiredMemberAttribute"u8) >= 0,
            earlier);
    }

    /// <summary>What was found out of an assembly; of few, so that a list is quicker than a table.</summary>
    private sealed class Answer(Assembly assembly, bool hasMarks, bool hasFilledProperties, Answer? earlier)
    {
        public Assembly Assembly => assembly;

        public bool HasMarks => hasMarks;

        public bool HasFilledProperties => hasFilledProperties;

        public Answer? Earlier => earlier;
    }
}
