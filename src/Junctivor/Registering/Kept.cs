using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Registering;

/// <summary>Which members of a registered class survive trimming. The fields tell what a class keeps of its own (JV303).</summary>
internal static class Kept
{
    public const DynamicallyAccessedMemberTypes Members =
        DynamicallyAccessedMemberTypes.PublicConstructors
            | DynamicallyAccessedMemberTypes.PublicProperties
            | DynamicallyAccessedMemberTypes.PublicFields
            | DynamicallyAccessedMemberTypes.NonPublicFields;
}
