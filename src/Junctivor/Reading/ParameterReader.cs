using System.Reflection;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>Reads what constructors, factories and properties require.</summary>
internal sealed class ParameterReader(TypeCatalog types, MarkingAssemblies marking)
{
    private Dictionary<Parameter, object?>? _passed;

    /// <summary>What a parameter gets that is passed a constant, or that is optional and not registered.</summary>
    public object? ConstantOf(Parameter parameter) =>
        parameter is ReflectedParameter read ? read.Default : _passed?.GetValueOrDefault(parameter);

    /// <param name="method">A constructor, or the method of a factory.</param>
    /// <param name="count">How many are wanted, of the last ones; all by default.</param>
    public Parameter[] Read(MethodBase method, int? count = null)
    {
        ReadOnlySpan<ParameterInfo> infos = method.GetParameters();
        infos = infos[(infos.Length - (count ?? infos.Length))..];
        if (infos.IsEmpty)
        {
            return [];
        }

        bool mayBeMarked = marking.MayMark(method.Module.Assembly);
        Parameter[] parameters = new Parameter[infos.Length];
        for (int number = 0; number < parameters.Length; number++)
        {
            ParameterInfo info = infos[number];
            parameters[number] =
                new ReflectedParameter(
                    info, DeclaredBy(info), mayBeMarked && info.GetCustomAttributesData().Count > 0 ? MarkOf(info) : null);
        }

        return parameters;
    }

    public Parameter Read(PropertyInfo info) => new ReflectedProperty(info, types.Of(info.PropertyType), MarkOf(info));

    /// <summary>The same parameter, met by a constant.</summary>
    public Parameter Passing(Parameter parameter, object? constant)
    {
        Parameter passed = parameter.AsPassed();
        (_passed ??= []).Add(passed, constant);
        return passed;
    }

    /// <summary>What is passed by reference only to be read, with <c>in</c> or <c>ref readonly</c>, is supplied as any other
    /// value.</summary>
    private ReflectedType DeclaredBy(ParameterInfo info)
    {
        ReflectedType declared = types.Of(info.ParameterType);
        return declared.IsByReference && info.IsIn && !info.IsOut ? types.Of(declared.Type.GetElementType()!) : declared;
    }

    private Mark? MarkOf(ICustomAttributeProvider place)
    {
        foreach (object attribute in place.GetCustomAttributes(inherit: true))
        {
            if (attribute is MarkedAttribute text)
            {
                return Mark.Of(text.Mark ?? "");
            }

            if (attribute is IncludingMarkedAttribute)
            {
                return Mark.OrNot;
            }

            Type type = attribute.GetType();
            if (type.IsConstructedGenericType && type.GetGenericTypeDefinition() == typeof(MarkedAttribute<>))
            {
                return Mark.Of(types[type.GenericTypeArguments[0]]);
            }
        }

        return null;
    }
}
