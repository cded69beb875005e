using System.Diagnostics.CodeAnalysis;
using Junctivor;
using Junctivor.NativeLimits;

// Run natively by eng/native: what the generator compiles in works, and what a natively compiled program cannot do is said, with what to
// write instead.
int failed = 0;
Expect("an open registration, closed over a structure", Closings.RequireStructure, "a table of Int32");
Expect("the same, requested at run time", Closings.RequestStructure, "a table of Char");
Expect("a private structure", Closings.RequestPrivateStructure, "a table of Berth");
Expect("a marked one", Closings.RequestMarked, "a table of Byte");
Expect("a decorator, closed over a structure", Closings.DecorateStructure, "a table of Int16, counted");
Expect("what a constructed class needs", Closings.ConstructOverStructure, "Monday: a table of Double");
Expect("a wiring that cannot be followed", () => Closings.RequireUnfollowed(Closings.Archives),
    "JV206",
    "compiled natively, and has no code for SqliteArchive<ulong>",
    "Singleton.Of<IArchive<ulong>, SqliteArchive<ulong>>()");
Expect("the class that a function creates", Functions.CreateUnregistered, "Heron 3 at 7.5");
Expect("the same, registered", Functions.CreateRegistered, "Heron 3 at 7.5");
Expect("functions of four arguments", Functions.CreateOfFour, "Heron 3 True 2.5");
Expect("functions of a private structure", Functions.CreateOfPrivateStructure, "spot 4, 2 lines");
Expect("all kinds of constructors", Constructors.CallAll, "Heron, Heron, Heron alone, 7 1 Heron True, old Heron, Heron, 2");
Expect("a list of a structure", Wrappers.ListOfStructure, "0");
Expect("a list of a private structure", Wrappers.ListOfPrivateStructure, "3 and 3");
Expect("classes that register themselves", Registered.Find, "a mast, a horn");
Expect("an assembly without their list", () => SelfRegistered.In<object>(), "has no list of its [SelfRegistered] classes");
Expect("plug-ins", LoadPlugins, "cannot be loaded", "Reference the project of each plug-in");
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

[UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "What it warns of is what is tried here.")]
static object LoadPlugins() => Plugins.In(".");
