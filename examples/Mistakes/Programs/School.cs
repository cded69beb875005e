using Junctivor;

namespace Mistakes.Programs;

/// <summary>A school: a class with two constructors, a constant under a wrong name, and a caretaker for a bell.</summary>
public static class School
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        Ding dong: 24 pupils, 6 lessons

        """;

    [CheckedWiring("school")]
    public static Wiring Wiring =>
    [
        Singleton.Of<Timetable>(),
        Singleton.Of<Classroom>().Passing("seat", 24),
        Singleton.Of<Caretaker>().Also<IBell>(),
        Singleton.Of<SchoolDay>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<SchoolDay>().Start());
    }

    private interface IBell
    {
        string Ring();
    }

    private sealed class BrassBell : IBell
    {
        public string Ring() => "Ding dong";
    }

    private sealed class Caretaker;

    private sealed class Timetable
    {
        public int Lessons => 6;
    }

    private sealed class Classroom(int seats)
    {
        public int Seats => seats;
    }

    private sealed class SchoolDay
    {
        private readonly IBell _bell;
        private readonly Classroom _room;
        private readonly int _lessons;

        public SchoolDay(IBell bell, Classroom room, Timetable timetable)
        {
            _bell = bell;
            _room = room;
            _lessons = timetable.Lessons;
        }

        public SchoolDay(IBell bell, Classroom room, int lessons)
        {
            _bell = bell;
            _room = room;
            _lessons = lessons;
        }

        public string Start() => $"{_bell.Ring()}: {_room.Seats} pupils, {_lessons} lessons";
    }
}
