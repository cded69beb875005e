using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Registering;

/// <summary>Which members of a registered class survive trimming.</summary>
internal static class Kept
{
    public const DynamicallyAccessedMemberTypes Members =
        DynamicallyAccessedMemberTypes.PublicConstructors | DynamicallyAccessedMemberTypes.PublicProperties;
}
