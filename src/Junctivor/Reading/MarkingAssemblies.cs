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
    private static readonly Assembly Ours = typeof(InjectAttribute).Assembly;
    private static readonly string? OurName = Ours.GetName().Name;

    private readonly Lock _gate = new();
    private readonly Dictionary<Assembly, bool> _knowUs = [];
    private Tuple<Assembly, bool>? _last;

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
        if (_last is { } last && last.Item1 == assembly)
        {
            return last.Item2;
        }

        lock (_gate)
        {
            bool knows = LookUp(assembly);
            _last = Tuple.Create(assembly, knows);
            return knows;
        }
    }

    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "A reference that was trimmed away is one that marks nothing.")]
    private bool LookUp(Assembly assembly)
    {
        if (!_knowUs.TryGetValue(assembly, out bool knows))
        {
            // A native program keeps no list of what an assembly references: there, anything may be marked.
            knows = !RuntimeFeature.IsDynamicCodeSupported
                || assembly.IsDynamic
                || assembly == Ours
                || Array.Exists(assembly.GetReferencedAssemblies(), reference => reference.Name == OurName);
            _knowUs.Add(assembly, knows);
        }

        return knows;
    }
}
