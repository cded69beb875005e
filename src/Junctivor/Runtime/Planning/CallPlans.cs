using System.Collections.Concurrent;
using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>Finds the plans of calls that no registration describes: a class that is constructed with arguments, a method, the properties
/// of an object. Safe for use by several threads.</summary>
/// <param name="reader">The wiring.</param>
/// <param name="compiler">Makes the plans.</param>
/// <param name="check">Checks what the wiring did not require.</param>
/// <param name="gate">Guards the other parameters.</param>
internal sealed class CallPlans(WiringReader reader, PlanCompiler compiler, LateCheck check, Lock gate)
{
    private readonly ConcurrentDictionary<MethodInfo, Plan> _calls = new();
    private readonly ConcurrentDictionary<(Type, TypeList), Plan> _constructions = new();
    private readonly ConcurrentDictionary<Type, (Plan Plan, PropertyInfo[] Properties)> _fillings = new();

    /// <summary>The plan to construct a class with some arguments given.</summary>
    /// <exception cref="ResolveException">It cannot be constructed so.</exception>
    public Plan Construct(Type type, ReadOnlySpan<object> arguments)
    {
        TypeList types = TypeList.Of(arguments);
        return _constructions.TryGetValue((type, types), out Plan? known)
            ? known
            : _constructions.GetOrAdd((type, types), PlanConstruction);
    }

    /// <summary>The plan for the arguments of a method.</summary>
    /// <exception cref="ResolveException">A parameter cannot be had.</exception>
    public Plan Call(MethodInfo method, int parameterCount) =>
        _calls.GetOrAdd(method, _ => PlanFor(reader.ReadCall(method, parameterCount)));

    /// <summary>The plan for the values of the properties of an object, and the properties.</summary>
    /// <exception cref="ResolveException">A property cannot be filled.</exception>
    public (Plan Plan, PropertyInfo[] Properties) Fill([DynamicallyAccessedMembers(Kept.Members)] Type type)
    {
        if (_fillings.TryGetValue(type, out (Plan, PropertyInfo[]) known))
        {
            return known;
        }

        lock (gate)
        {
            Node node = reader.ReadFilling(type);
            return _fillings.GetOrAdd(type, (PlanFor(node), [.. node.FactoryParameters.Select(WiringReader.PropertyOf)]));
        }
    }

    private Plan PlanConstruction((Type Made, TypeList Arguments) construction)
    {
        lock (gate)
        {
            TypeRef created = reader.Types[construction.Made];
            TypeRef[] arguments = [.. construction.Arguments.Select(type => reader.Types[type])];
            return compiler.PlanFor(check.Sound(reader.Builder.Construct(created, arguments), new ServiceId(created)));
        }
    }

    private Plan PlanFor(Node node)
    {
        lock (gate)
        {
            reader.Builder.Add(node);
            check.ThrowIfFaulty([node]);
            return compiler.PlanFor(node);
        }
    }
}
