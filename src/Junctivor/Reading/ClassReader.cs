using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Reads the constructors and the properties of a class, and the constants that an entry passes for them.</summary>
internal sealed class ClassReader(TypeCatalog types, ParameterReader parameters, MarkingAssemblies marking)
{
    private const int FarthestEdit = 2;

    /// <summary>The constructors that somebody could call.</summary>
    public Constructor[] ReadConstructors([DynamicallyAccessedMembers(Kept.Members)] Type type) =>
        ReflectedConstructor.AllOf(type, parameters);

    /// <summary>A node of which parameters are met as its entry says: by what it decorates, and by constants.</summary>
    /// <param name="node">The node, with all that its class requests.</param>
    /// <param name="passed">The constants for its parameters.</param>
    public Node Meet(Node node, IReadOnlyList<PassedValue> passed)
    {
        Node met = node.IsDecorator && node.ChosenConstructor is { } chosen
            ? node with { Constructors = [chosen.With(WithInner(chosen.Parameters, node.Services[0]))] }
            : node;
        return passed.Count == 0 ? met : Pass(met, passed);
    }

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

    /// <summary>Marks the parameter that takes what a decorator wraps: the one unmarked parameter of the service's type.</summary>
    private static Parameter[] WithInner(Parameter[] all, TypeRef service)
    {
        IReadOnlyList<Parameter> inner = [.. all.Where(parameter => parameter.Mark is null && parameter.Type.IsClosingOf(service))];
        return inner.Count == 1 ? [.. all.Select(parameter => parameter == inner[0] ? parameter.AsInner() : parameter)] : all;
    }

    private Node Pass(Node node, IReadOnlyList<PassedValue> passed)
    {
        if (node.ChosenConstructor is not { } chosen)
        {
            return node;
        }

        List<Parameter> filled = [.. chosen.Parameters];
        List<UnmatchedArgument> misfits = [];
        foreach (PassedValue value in passed)
        {
            TypeRef type = types[value.Type];
            IReadOnlyList<Parameter> fitting = [.. filled.Where(
                parameter => value.Parameter is null ? parameter.Type.Equals(type) : parameter.Name == value.Parameter)];
            if (fitting.Count == 1 && CanTake(fitting[0], value))
            {
                filled[filled.IndexOf(fitting[0])] = parameters.Passing(fitting[0], value.Value);
            }
            else
            {
                string? meant = Meant(chosen, value);
                misfits.Add(new UnmatchedArgument(Trouble(node, value, type, fitting), meant, value.Parameter));
                TakeAsPassed(filled, fitting.Count == 1 ? fitting[0].Name : meant);
            }
        }

        return node with { Constructors = [chosen.With([.. filled])], Options = node.Options with { UnmatchedArguments = misfits } };
    }

    /// <summary>What was passed wrongly is not missing besides.</summary>
    private void TakeAsPassed(List<Parameter> filled, string? name)
    {
        int place = filled.FindIndex(parameter => parameter.Name == name && !parameter.IsPassed);
        if (place >= 0)
        {
            filled[place] = parameters.Passing(filled[place], null);
        }
    }

    private bool CanTake(Parameter parameter, PassedValue value) =>
        value.Value is null ? !parameter.Type.IsValueType || parameter.IsOptional : types[parameter.Type].IsInstanceOfType(value.Value);

    /// <summary>The parameter of nearly that name, or the only one of that type.</summary>
    private string? Meant(Constructor chosen, PassedValue value)
    {
        IReadOnlyList<string> near = value.Parameter is null
            ? []
            : [.. chosen.Parameters.Select(parameter => parameter.Name)
                .Where(name => name != value.Parameter && EditDistance.Between(name, value.Parameter, FarthestEdit) <= FarthestEdit)];
        IReadOnlyList<string> able = near.Count > 0
            ? near
            : [.. chosen.Parameters.Where(parameter => CanTake(parameter, value)).Select(parameter => parameter.Name)];
        return able.Count == 1 ? able[0] : null;
    }

    private static string Trouble(Node node, PassedValue value, TypeRef type, IReadOnlyList<Parameter> fitting) =>
        (value.Parameter, fitting.Count) switch
        {
            (null, 0) => $"{node.Implementation.Name} has no constructor parameter of type {type.Name}",
            (null, _) =>
                $"{node.Implementation.Name} has {fitting.Count} constructor parameters of type {type.Name}: "
                    + $"{string.Join(", ", fitting.Select(each => each.Name))}",
            (_, 0) => $"{node.Implementation.Name} has no constructor parameter '{value.Parameter}'",
            _ => $"the constructor parameter '{value.Parameter}' of {node.Implementation.Name} is {fitting[0].Type.Name}, and a {type.Name} "
                + "is passed",
        };
}
