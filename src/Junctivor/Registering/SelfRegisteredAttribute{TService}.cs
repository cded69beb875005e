using System.Runtime.CompilerServices;

namespace Junctivor;

/// <summary>Lets a class carry its own registration for a service.</summary>
/// <typeparam name="TService">The service; JV104 if the class does not implement it.</typeparam>
/// <param name="lifetime">How long an instance is shared.</param>
/// <param name="file">Filled in by the compiler: the file that this is written in.</param>
/// <param name="line">Filled in by the compiler: the line that this is written on.</param>
public sealed class SelfRegisteredAttribute<TService>(
    Lifetime lifetime, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
    : SelfRegisteredAttribute(typeof(TService), lifetime, file, line);
