using System.Diagnostics.CodeAnalysis;
using Junctivor;
using Junctivor.NativeLimits;

// Run natively by eng/native: what a natively compiled program cannot do is said, with what to write instead.
[assembly: UnconditionalSuppressMessage("AOT", "IL3050", Justification = "What it warns of is what is tried here.")]
[assembly: UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "What it warns of is what is tried here.")]

int failed = 0;
Expect("an open registration, closed over a structure", Closings.RequireStructure,
    "JV206",
    "compiled natively, and has no code for SqliteArchive<int>",
    "Singleton.Of<IArchive<int>, SqliteArchive<int>>()");
Expect("the same at run time", Closings.RequestStructure,
    "JV206",
    "compiled natively, and has no code for SqliteArchive<int>",
    "Singleton.Of<IArchive<int>, SqliteArchive<int>>()");
Expect("a structure that the source closes it over", Closings.RequestKnownStructure, "a table of Int64");
Expect("a decorator, closed over a structure", Closings.DecorateStructure,
    "JV206", "has no code for CountedArchive<short>", "Decorator.Of<IArchive<short>, CountedArchive<short>>()");
Expect("the class that a function creates", Functions.CreateUnregistered,
    "JV102", "Ticket has no constructor left", "Transient.Of<Ticket>()");
Expect("the same, registered", Functions.CreateRegistered, "Heron 3 at 7.5");
Expect("functions of four arguments", Functions.CreateOfFour, "Heron 3 True 2.5");
Expect("a list of a structure", Wrappers.ListOfStructure, "has no code for Lazy<DateOnly>", "Singleton.Value<DateOnly>(…)");
Expect("a scan", () => SelfRegistered.In<Closings>(), "cannot be scanned", "Register them in a wiring instead");
Expect("plug-ins", () => Plugins.In("."), "cannot be loaded", "Reference the project of each plug-in");
return failed;

void Expect(string what, Func<object> work, params string[] texts)
{
    string told;
    try
    {
        told = $"{work()}";
    }
    catch (Exception failure) when (failure is JunctivorException or NotSupportedException)
    {
        told = $"{failure.Message}\n{(failure as WiringException)?.Report}";
    }

    bool isMet = Array.TrueForAll(texts, text => told.Contains(text, StringComparison.Ordinal));
    failed += isMet ? 0 : 1;
    Console.WriteLine(isMet ? $"as expected: {what}" : $"NOT as expected: {what}\n{told}");
}
