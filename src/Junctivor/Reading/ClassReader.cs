using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Reads the constructors and the properties of a class, and the constants that an entry passes for them.</summary>
internal sealed class ClassReader(TypeCatalog types, ParameterReader parameters, MarkingAssemblies marking)
{
    /// <summary>The constructors that somebody could call.</summary>
    public Constructor[] ReadConstructors([DynamicallyAccessedMembers(Kept.Members)] Type type) =>
        ReflectedConstructor.AllOf(type, parameters);

    /// <summary>A node of which parameters are met as its entry says: by what it decorates, and by constants.</summary>
    /// <param name="node">The node, with all that its class requests.</param>
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
        if (infos.Length == 0)
        {
            return [];
        }

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

        return [.. properties];
    }

    /// <summary>An override counts as marked where what it overrides is; where there is none, requesting it would only take time.</summary>
    private static bool Carries(PropertyInfo info, Type attribute) =>
        info.IsDefined(attribute, inherit: false)
            || ((info.GetMethod ?? info.SetMethod) is { IsVirtual: true } accessor
                && (accessor.Attributes & MethodAttributes.NewSlot) == 0
                && info.IsDefined(attribute));
}
