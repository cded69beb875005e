using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;

namespace Junctivor.Reading;

/// <summary>
/// Knows where marks, and properties to fill, can stand at all. Looking for them takes longer than all the rest of reading a class, and
/// many programs keep their services in assemblies that know nothing of a container. Safe for use by several threads.
/// </summary>
internal sealed class MarkingAssemblies
{
    private const string OurName = "Junctivor";
    private static readonly Assembly Ours = typeof(InjectAttribute).Assembly;

    private readonly Lock _gate = new();
    private Answer? _last;

    /// <summary>Whether something in an assembly may carry a mark.</summary>
    public bool MayMark(Assembly assembly) => KnowsUs(assembly);

    /// <summary>Whether a class or one that it derives from may have properties that are required, or marked
    /// <see cref="InjectAttribute"/>.</summary>
    public bool MayMarkProperties(Type type)
    {
        for (Type? declaring = type; declaring is not null && declaring != typeof(object); declaring = declaring.BaseType)
        {
            if (KnowsUs(declaring.Assembly) || declaring.IsDefined(typeof(RequiredMemberAttribute), inherit: false))
            {
                return true;
            }
        }

        return false;
    }

    private bool KnowsUs(Assembly assembly)
    {
        for (Answer? answer = Volatile.Read(ref _last); answer is not null; answer = answer.Earlier)
        {
            if (answer.Assembly == assembly)
            {
                return answer.KnowsUs;
            }
        }

        lock (_gate)
        {
            Volatile.Write(ref _last, new Answer(assembly, LookUp(assembly), _last));
            return _last.KnowsUs;
        }
    }

    /// <summary>A program that uses us is assumed to know us: the look-up takes longer than to look for its marks.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "A reference that was trimmed away is one that marks nothing.")]
    private static bool LookUp(Assembly assembly) =>
        !RuntimeFeature.IsDynamicCodeSupported // A native program keeps no list of what an assembly references.
            || assembly.IsDynamic
            || assembly == Ours
            || assembly == Assembly.GetEntryAssembly()
            || Array.Exists(assembly.GetReferencedAssemblies(), reference => reference.Name == OurName);

    /// <summary>What was found out of an assembly; of few, so that a list is quicker than a table.</summary>
    private sealed class Answer(Assembly assembly, bool knowsUs, Answer? earlier)
    {
        public Assembly Assembly => assembly;

        public bool KnowsUs => knowsUs;

        public Answer? Earlier => earlier;
    }
}
