namespace Junctivor.Graph;

/// <summary>A parameter that is not met by what is registered for its type, but as the registration says.</summary>
internal sealed class PresetParameter(
    string name, TypeRef type, Mark? mark = null, bool isPassed = false, bool isInner = false, int? argument = null,
    bool isOptional = false) : Parameter(type)
{
    public override string Name => name;

    public override Mark? Mark => mark;

    public override bool IsOptional => isOptional;

    public override bool IsPassed => isPassed;

    public override bool IsInner => isInner;

    public override int? Argument => argument;
}
