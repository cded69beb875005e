using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Reads the constructors and the properties of a class, and the constants that an entry passes for them.</summary>
internal sealed class ClassReader(TypeCatalog types, ParameterReader parameters, MarkingAssemblies marking)
{
    private const string Unseen = "Such a property is only refused; one that publishing removed was refused when the program was compiled.";

    /// <summary>The constructors that somebody could call.</summary>
    public Constructor[] ReadConstructors([DynamicallyAccessedMembers(Kept.Members)] Type type) =>
        ReflectedConstructor.AllOf(type, parameters);

    /// <summary>A node of which parameters are met as its entry says: by what it decorates, and by constants.</summary>
    /// <param name="node">The node, with all that its class requires.</param>
    /// <param name="passed">The constants for its parameters.</param>
    public Node Meet(Node node, IReadOnlyList<PassedValue> passed) => ConstantPassing.Meet(
        node, passed.Count == 0 ? [] : [.. passed.Select(value => new ReflectedConstant(value, types, parameters))]);

    /// <summary>The properties that are filled: those marked, and those required where the constructor does not see to them.</summary>
    public Parameter[] ReadProperties([DynamicallyAccessedMembers(Kept.Members)] Type type)
    {
        if (!marking.MayMarkProperties(type))
        {
            return [];
        }

        PropertyInfo[] infos = type.GetProperties(BindingFlags.Public | BindingFlags.Instance);
        bool isRequiredSeenTo = type.GetConstructors() is [ConstructorInfo only]
            && only.IsDefined(typeof(SetsRequiredMembersAttribute), inherit: false);
        List<Parameter> properties = [];
        foreach (PropertyInfo info in infos)
        {
            bool isRequired = !isRequiredSeenTo && Carries(info, typeof(RequiredMemberAttribute));
            if (isRequired || Carries(info, typeof(InjectAttribute)))
            {
                properties.Add(parameters.Read(info));
            }
        }

        properties.AddRange(UnsettableProperties(type, isRequiredSeenTo).Select(parameters.Read));
        return [.. properties];
    }

    /// <summary>Those that nobody sets, though they are marked or required: static ones, and those that are not public.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = Unseen)]
    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = Unseen)]
    private static List<PropertyInfo> UnsettableProperties(Type type, bool isRequiredSeenTo)
    {
        List<PropertyInfo> unsettable = [];
        const BindingFlags All = BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Instance | BindingFlags.Static
            | BindingFlags.DeclaredOnly;
        for (Type? declaring = type; declaring is not null && declaring != typeof(object); declaring = declaring.BaseType)
        {
            foreach (PropertyInfo info in declaring.GetProperties(All))
            {
                bool isUnsettable = info.GetAccessors() is not [{ IsStatic: false }, ..];
                if (isUnsettable && (info.IsDefined(typeof(InjectAttribute), inherit: false)
                    || (!isRequiredSeenTo && info.IsDefined(typeof(RequiredMemberAttribute), inherit: false))))
                {
                    unsettable.Add(info);
                }
            }
        }

        return unsettable;
    }

    /// <summary>An override counts as marked where what it overrides is; where there is none, reading it would only take time.</summary>
    private static bool Carries(PropertyInfo info, Type attribute) =>
        info.IsDefined(attribute, inherit: false)
            || ((info.GetMethod ?? info.SetMethod) is { IsVirtual: true } accessor
                && (accessor.Attributes & MethodAttributes.NewSlot) == 0
                && info.IsDefined(attribute));
}
