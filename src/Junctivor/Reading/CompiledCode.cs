using System.Runtime.CompilerServices;

namespace Junctivor.Reading;

/// <summary>The code that a natively compiled program has.</summary>
internal static class CompiledCode
{
    /// <summary>Whether the program can run the code of a closed class. A natively compiled one has code for all closed types whose type
    /// arguments are classes, and for those with structs that its source names.</summary>
    public static bool IsThereFor(Type closed)
    {
        if (RuntimeFeature.IsDynamicCodeSupported)
        {
            return true;
        }

        try
        {
            return closed.TypeHandle.Value != 0;
        }
        catch (NotSupportedException)
        {
            return false;
        }
    }
}
