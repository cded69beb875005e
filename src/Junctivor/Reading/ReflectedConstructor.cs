using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>
/// A constructor, read by reflection. What the base library keeps of one is several times as large as all that the graph knows of its class, so
/// nothing of it is held: it is looked up again where somebody wants it.
/// </summary>
internal sealed class ReflectedConstructor : Constructor
{
    [DynamicallyAccessedMembers(Kept.Members)]
    private readonly Type _declaring;

    private readonly short _number;
    private readonly ParameterReader _reader;
    private Parameter[]? _parameters;

    private ReflectedConstructor([DynamicallyAccessedMembers(Kept.Members)] Type declaring, int number, bool isChosen, ParameterReader reader)
        : base(isChosen)
    {
        _declaring = declaring;
        _number = (short)number;
        _reader = reader;
    }

    /// <summary>The constructor; read again where nobody else holds it.</summary>
    public ConstructorInfo Info => _declaring.GetConstructors()[_number];

    public override Parameter[] Parameters => _parameters ??= _reader.Read(Info);

    /// <summary>Whether parameters are met otherwise than by what is registered for them, which cannot be read again.</summary>
    private bool IsChanged { get; init; }

    /// <summary>The constructors that somebody could call.</summary>
    public static Constructor[] AllOf([DynamicallyAccessedMembers(Kept.Members)] Type type, ParameterReader reader)
    {
        ConstructorInfo[] infos = type.GetConstructors();
        Constructor[] constructors = new Constructor[infos.Length];
        for (int number = 0; number < infos.Length; number++)
        {
            // Where there is only one, nobody has to choose it.
            bool isChosen = infos.Length > 1 && infos[number].IsDefined(typeof(InjectAttribute), inherit: false);
            constructors[number] = new ReflectedConstructor(type, number, isChosen, reader) { _parameters = reader.Read(infos[number]) };
        }

        return constructors;
    }

    public override Constructor With(Parameter[] others) => new ReflectedConstructor(_declaring, _number, IsChosen, _reader) { _parameters = others, IsChanged = true };

    public override void Forget() => _parameters = IsChanged ? _parameters : null;
}
