using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Reflection.Metadata;
using System.Reflection.Metadata.Ecma335;
using System.Runtime.CompilerServices;

namespace Junctivor.Reports.Graphs;

/// <summary>Where in the source methods are written, as far as there are symbols.</summary>
internal static class MethodPlaces
{
    /// <summary>The places of methods and classes; those that are not known are left out.</summary>
    public static IReadOnlyDictionary<MemberInfo, (string File, int Line)> Of(IEnumerable<MemberInfo> members)
    {
        Dictionary<MemberInfo, (string File, int Line)> places = [];
        foreach (IGrouping<Assembly, MemberInfo> inAssembly in members.Distinct().GroupBy(member => member.Module.Assembly))
        {
            Symbols.Read(inAssembly.Key, (_, symbols) =>
            {
                foreach (MemberInfo member in inAssembly)
                {
                    if (PlaceOf(member, symbols) is { } place)
                    {
                        places[member] = place;
                    }
                }
            });
        }

        return places;
    }

    private static (string File, int Line)? PlaceOf(MemberInfo member, MetadataReader symbols)
    {
        if (BodyOf(member) is not { } method || method.Module.Assembly.IsDynamic)
        {
            return null;
        }

        MethodDebugInformationHandle handle = MetadataTokens.MethodDebugInformationHandle(method.MetadataToken & 0x00FFFFFF);
        foreach (SequencePoint point in symbols.GetMethodDebugInformation(handle).GetSequencePoints())
        {
            if (!point.IsHidden)
            {
                return (symbols.GetString(symbols.GetDocument(point.Document).Name), point.StartLine);
            }
        }

        return null;
    }

    /// <summary>The method in which the compiler put the statements: of an asynchronous one, in a class of its own.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "Of what is trimmed away, no place is known.")]
    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = "Of what is trimmed away, no place is known.")]
    private static MethodBase? BodyOf(MemberInfo member) => member switch
    {
        Type type => type.GetConstructors().FirstOrDefault(),
        MethodBase method when method.GetCustomAttribute<StateMachineAttribute>() is { } machine =>
            machine.StateMachineType.GetMethod("MoveNext", BindingFlags.Instance | BindingFlags.NonPublic),
        _ => member as MethodBase,
    };
}
