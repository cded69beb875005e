using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>
/// A constructor, read by reflection. What the base class library keeps of one is several times as large as all that the graph knows of its
/// class, so the only one of a class is not held, but looked up again where somebody wants it. Of several it would not be sure which one
/// comes back.
/// </summary>
internal sealed class ReflectedConstructor : Constructor
{
    [DynamicallyAccessedMembers(Kept.Members)]
    private readonly Type _declaring;

    private readonly ConstructorInfo? _oneOfSeveral;
    private readonly ParameterReader _reader;
    private Parameter[]? _parameters;

    private ReflectedConstructor(
        [DynamicallyAccessedMembers(Kept.Members)] Type declaring, ConstructorInfo? oneOfSeveral, bool isChosen, ParameterReader reader)
        : base(isChosen)
    {
        _declaring = declaring;
        _oneOfSeveral = oneOfSeveral;
        _reader = reader;
    }

    /// <summary>The constructor; read again where nobody else holds it.</summary>
    public ConstructorInfo Info => _oneOfSeveral ?? _declaring.GetConstructors()[0];

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
            ConstructorInfo? oneOfSeveral = infos.Length > 1 ? infos[number] : null;
            bool isChosen = oneOfSeveral?.IsDefined(typeof(InjectAttribute), inherit: false) == true;
            constructors[number] =
                new ReflectedConstructor(type, oneOfSeveral, isChosen, reader) { _parameters = reader.Read(infos[number]) };
        }

        return constructors;
    }

    public override Constructor With(Parameter[] others) =>
        new ReflectedConstructor(_declaring, _oneOfSeveral, IsChosen, _reader) { _parameters = others, IsChanged = true };

    public override void Forget() => _parameters = IsChanged ? _parameters : null;
}
