using System.Reflection;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>A constructor, read by reflection.</summary>
/// <param name="info">The constructor.</param>
/// <param name="isChosen">Whether it carries <c>[Inject]</c>.</param>
/// <param name="parameters">What it asks for.</param>
internal sealed class ReflectedConstructor(ConstructorInfo info, bool isChosen, Parameter[] parameters) : Constructor(isChosen, parameters)
{
    public ConstructorInfo Info => info;

    public override Constructor With(Parameter[] others) => new ReflectedConstructor(info, IsChosen, others);
}
