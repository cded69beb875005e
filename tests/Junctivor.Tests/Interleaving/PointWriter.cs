using System.Reflection.Emit;

namespace Junctivor.Tests.Interleaving;

/// <summary>Writes a point into code that is created at run time.</summary>
public static class PointWriter
{
    public static void Emit(ILGenerator code) => code.Emit(OpCodes.Call, typeof(Schedule).GetMethod(nameof(Schedule.Point))!);
}
