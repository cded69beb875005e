using Junctivor.CompilerServices;
using Microsoft.Data.Sqlite;

// As the generator would write it for a wiring that the compiler cannot follow.
[assembly: FollowedWiring("P:Junctivor.Cli.Tests.MarkedWirings.Dark", "version 3\nunknown \"a \\\"dark\\\" reason\" \"/Quay/Dark.cs\" 7")]

namespace Junctivor.Cli.Tests;

// What the command finds when it is pointed at this assembly.
public static class MarkedWirings
{
    [CheckedWiring]
    public static Wiring Sound => [Singleton.Of<Buoy>()];

    [CheckedWiring("faulty")]
    public static Wiring Faulty() => [Singleton.Of<Mooring>(), Scoped.Of<Rope>(), Singleton.Of<Bollard>()];

    [CheckedWiring("native")]
    public static Wiring Native
    {
        get
        {
            using SqliteConnection connection = new("Data Source=:memory:");
            connection.Open();
            return [Singleton.Value(connection.ServerVersion)];
        }
    }

    [CheckedWiring("frozen")]
    public static Wiring Frozen => [Transient.Of<Rope>(), Singleton.Of<Bollard>().Accept("JV303", "A bollard has one rope.")];

    [CheckedWiring("marks")]
    public static Wiring Marks => [Singleton.Value(4).Marked("berths"), Singleton.Value(9).Marked("tons")];

    [CheckedWiring("dark")]
    public static Wiring Dark => [Singleton.Of<Buoy>()];

    [CheckedWiring("throwing")]
    public static Wiring Throwing => throw new InvalidOperationException("The tide is out");

    [CheckedWiring("empty-handed")]
    public static Wiring EmptyHanded => null!;

    [CheckedWiring("misplaced")]
    public static string Misplaced => "no wiring";

    public sealed class Buoy;

    public sealed class Rope
    {
        public int Length { get; set; }
    }

    public sealed record Mooring(Anchor Anchor);

    public sealed record Anchor;

    public sealed record Bollard(Rope Rope);
}
