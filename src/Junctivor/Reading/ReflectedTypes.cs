using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>The types of a program, by reflection. What trimming removed is not there: it is not offered, and keeps no state.</summary>
[UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "A member that was trimmed away is neither offered nor called.")]
[UnconditionalSuppressMessage("Trimming", "IL2075", Justification = "A member that was trimmed away is neither offered nor called.")]
internal sealed class ReflectedTypes : TypeModel<Type>
{
    public static readonly ReflectedTypes All = new();

    private const BindingFlags Declared = BindingFlags.Instance | BindingFlags.Public | BindingFlags.DeclaredOnly;

    private ReflectedTypes()
    {
    }

    public override IEqualityComparer<Type> Comparer => EqualityComparer<Type>.Default;

    public override bool IsParameter(Type type) => type.IsGenericParameter;

    public override bool IsOpen(Type type) => type.ContainsGenericParameters;

    public override bool IsInterface(Type type) => type.IsInterface;

    public override bool IsValueType(Type type) => type.IsValueType;

    public override bool IsPrivate(Type type) => type.IsNestedPrivate;

    public override string ShortName(Type type) => TypeNames.Short(type);

    public override string DefinitionName(Type type) => TypeNames.Definition(type);

    public override string NamespaceOf(Type type) => type.Namespace ?? "";

    public override Type DefinitionOf(Type type) => type.IsConstructedGenericType ? type.GetGenericTypeDefinition() : type;

    public override IReadOnlyList<Type> ArgumentsOf(Type type) => type.GetGenericArguments();

    public override (Type Element, int Rank)? ArrayOf(Type type) =>
        type.IsArray ? (type.GetElementType()!, type.IsSZArray ? 1 : type.GetArrayRank()) : null;

    public override Type? BaseOf(Type type) => type.BaseType is { } parent && parent != typeof(object) ? parent : null;

    public override IEnumerable<Type> SupertypesOf(Type type) =>
        TypeCatalog.AllSupertypes(type).Where(supertype => supertype != typeof(object));

    public override Type Outermost(Type type) => type.DeclaringType is null ? type : Outermost(type.DeclaringType);

    public override bool IsAssignable(Type from, Type to) => to.IsAssignableFrom(from);

    public override ParameterDemands DemandsOf(Type parameter)
    {
        GenericParameterAttributes attributes = parameter.GenericParameterAttributes;
        return When(GenericParameterAttributes.ReferenceTypeConstraint, ParameterDemands.Class)
            | When(GenericParameterAttributes.NotNullableValueTypeConstraint, ParameterDemands.Struct)
            | When(GenericParameterAttributes.DefaultConstructorConstraint, ParameterDemands.Constructor);

        ParameterDemands When(GenericParameterAttributes attribute, ParameterDemands demand) =>
            attributes.HasFlag(attribute) ? demand : ParameterDemands.None;
    }

    public override IEnumerable<Type> ConstraintsOf(Type parameter) => parameter.GetGenericParameterConstraints();

    public override bool HasDefaultConstructor(Type type) =>
        type.IsValueType || (!type.IsAbstract && type.GetConstructor(Type.EmptyTypes) is not null);

    public override bool IsOfCoreLibrary(Type type) => type.Assembly == typeof(object).Assembly;

    [UnconditionalSuppressMessage("AOT", "IL3050", Justification = "What has no code is a fault (JV206).")]
    [UnconditionalSuppressMessage("Trimming", "IL2055", Justification = "The definition was registered with its members kept.")]
    public override Type? TryClose(Type definition, Func<Type, Type> argumentOf)
    {
        try
        {
            return definition.MakeGenericType([.. definition.GetGenericArguments().Select(argumentOf)]);
        }
        catch (ArgumentException)
        {
            // A constraint does not hold.
            return null;
        }
    }

    public override IEnumerable<Type> ConstructorParametersOf(Type type) =>
        type.GetConstructors().SelectMany(constructor => constructor.GetParameters()).Select(parameter => parameter.ParameterType);

    public override IEnumerable<KeptMember<Type>> FieldsOf(Type type) =>
        from field in type.GetFields(Declared | BindingFlags.NonPublic)
        let isOfProperty = field.Name.EndsWith(">k__BackingField", StringComparison.Ordinal)
        let isCaptured = field.Name.StartsWith('<') && field.Name.EndsWith(">P", StringComparison.Ordinal)
        select new KeptMember<Type>(
            isOfProperty || isCaptured ? field.Name[1..field.Name.IndexOf('>', StringComparison.Ordinal)] : field.Name,
            field.FieldType,
            field.IsInitOnly,
            isOfProperty,
            isCaptured);

    public override IEnumerable<UsableMember<Type>> MethodsOf(Type type) =>
        from method in type.GetMethods(Declared)
        where !method.IsSpecialName
        select new UsableMember<Type>(
            $"{method.Name}({string.Join(", ", method.GetParameters().Select(parameter => parameter.Name))})",
            method.Name,
            method.ReturnType,
            method.IsGenericMethod || method.GetBaseDefinition().DeclaringType == typeof(object));

    public override IEnumerable<UsableMember<Type>> PropertiesOf(Type type) =>
        from property in type.GetProperties(Declared)
        where property.GetIndexParameters().Length == 0
        select new UsableMember<Type>(property.Name, property.Name, property.PropertyType);
}
