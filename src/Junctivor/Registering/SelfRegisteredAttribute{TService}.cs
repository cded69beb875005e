using System.Runtime.CompilerServices;

namespace Junctivor;

/// <summary>Declares on a class its own registration for a service.</summary>
/// <typeparam name="TService">The service; JV104 if the class does not implement it.</typeparam>
/// <param name="lifetime">How long an instance is shared.</param>
/// <param name="file">Filled in by the compiler: the source file of the call.</param>
/// <param name="line">Filled in by the compiler: the line of the call.</param>
public sealed class SelfRegisteredAttribute<TService>(
    Lifetime lifetime, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
    : SelfRegisteredAttribute(typeof(TService), lifetime, file, line);
