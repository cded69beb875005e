using System.Collections;
using System.Diagnostics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using Junctivor.Benchmarks.Cases;

namespace Junctivor.Benchmarks.Running;

/// <summary>
/// Counts the machine instructions of one operation: a figure that does not depend on what else the machine does. Many virtual machines
/// keep the counters of the processor to themselves, so another process steps through the operation, as a debugger would. Linux on x64
/// only.
/// </summary>
internal static partial class InstructionCounter
{
    public const string Command = "count-instructions";

    private const int Operations = 33;

    /// <summary>Each takes some microseconds, so that of long operations only a few are counted.</summary>
    private const int MostSteps = 50_000;

    /// <summary>In turns with pauses, in which the just-in-time compiler comes to what it has put off.</summary>
    private const int WarmUpRounds = 8;
    private const int WarmUpMilliseconds = 120;

    /// <summary>What the stepped process asks the system for, to tell where it is: the priority of a user that there is not.</summary>
    private const int GetPriority = 140;
    private const int Begins = 0x4A554E00;
    private const int Ends = 0x4A554E01;
    private const int IsDone = 0x4A554E02;

    private const int BeTraced = 0;
    private const int Detach = 17;
    private const int SetOptions = 0x4200;
    private const int ToNextCall = 24;
    private const int ToNextInstruction = 9;
    private const int GetRegisters = 12;
    private const int Peek = 1;
    private const int MarksCalls = 1;
    private const int AnyThread = 0x40000000;
    private const int StopSignal = 19;
    private const int TrapSignal = 5;
    private const int CallSignal = TrapSignal | 0x80;
    private const long CallInstruction = 0x050F;
    private const long LowestBytes = 0xFFFF;

    public static bool IsSupported => OperatingSystem.IsLinux() && RuntimeInformation.ProcessArchitecture == Architecture.X64;

    /// <summary>The instructions of one operation of a case.</summary>
    /// <param name="one">The case.</param>
    /// <param name="isWired">By the container, or by hand.</param>
    /// <returns>The number; null if it cannot be counted here.</returns>
    public static double? Count(Case one, bool isWired)
    {
        if (!IsSupported || one.IsCold || one.HasThreads)
        {
            return null;
        }

        double? empty = CountCalls("nothing", isWired);
        double? counted = CountCalls(one.Name, isWired);
        return (counted - empty) / one.Times;
    }

    /// <summary>Runs in the stepped process.</summary>
    public static int Run(string name, bool isWired)
    {
        Case? one = AllCases.Make().SingleOrDefault(each => each.Name == name);
        one?.Prepare();
        Func<object?> work = one is null ? static () => null : isWired ? one.Wired : one.ByHand;
        for (int round = 0; round < WarmUpRounds; round++)
        {
            long started = Stopwatch.GetTimestamp();
            while (Stopwatch.GetElapsedTime(started).TotalMilliseconds < WarmUpMilliseconds)
            {
                Operate(work, 1);
            }

            Thread.Sleep(WarmUpMilliseconds);
        }

        GC.Collect();
        if (ptrace(BeTraced, 0, 0, 0) != 0 || raise(StopSignal) != 0)
        {
            return 1;
        }

        Operate(work, Operations);
        _ = getpriority(0, IsDone);
        return 0;
    }

    /// <summary>Compiled at once, and so without a guess at what it will be given: otherwise the work is inlined where it is warmed up, and
    /// what is counted is the code that was not warmed up.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static void Operate(Func<object?> work, int times)
    {
        for (int time = 0; time < times; time++)
        {
            _ = getpriority(0, Begins);
            object? made = work();
            _ = getpriority(0, Ends);
            GC.KeepAlive(made);
        }
    }

    private static double? CountCalls(string name, bool isWired)
    {
        double? counted = null;

        // The stepped process must be started by the thread that steps, and in a way that the base class library does not wait for it.
        Thread stepping = new(() => counted = Step(name, isWired ? Once.Wired : Once.ByHand));
        stepping.Start();
        stepping.Join();
        return counted;
    }

    private static double? Step(string name, string how)
    {
        string program = Path.ChangeExtension(typeof(InstructionCounter).Assembly.Location, "dll");
        string?[] surroundings =
            [.. Environment.GetEnvironmentVariables().Cast<DictionaryEntry>().Select(each => $"{each.Key}={each.Value}"), null];
        if (posix_spawnp(out int id, "dotnet", 0, 0, ["dotnet", program, Command, name, how, null], surroundings) != 0)
        {
            return null;
        }

        if (waitpid(id, out int first, AnyThread) < 0 || !IsStopped(first))
        {
            return null;
        }

        _ = ptrace(SetOptions, id, 0, MarksCalls);
        long[] registers = new long[27];
        List<long> counts = [];
        long count = -1;
        long steps = 0;
        int signal = 0;
        while (true)
        {
            _ = ptrace(count < 0 ? ToNextCall : ToNextInstruction, id, 0, signal);
            if (waitpid(id, out int status, AnyThread) < 0 || !IsStopped(status))
            {
                return null;
            }

            int stopped = (status >> 8) & 0xFF;
            signal = stopped is TrapSignal or CallSignal ? 0 : stopped;
            _ = ptrace(GetRegisters, id, 0, ref registers[0]);
            count += count < 0 ? 0 : 1;
            int place = PlaceOf(registers, stopped, id);
            if (place == Begins && count < 0)
            {
                count = 0;
            }
            else if (place == Ends && count > 0)
            {
                counts.Add(count);
                steps += count;
                count = -1;
            }

            if (place == IsDone || steps > MostSteps)
            {
                _ = ptrace(Detach, id, 0, 0);
                _ = waitpid(id, out _, AnyThread);
                counts.Sort();
                return counts.Count == 0 ? null : counts[counts.Count / 2];
            }
        }
    }

    /// <summary>Which place the stepped process tells; 0 if it tells none. It stops at a call as such, or before its
    /// instruction.</summary>
    private static int PlaceOf(long[] registers, int stopped, int id)
    {
        const int Result = 10;
        const int Second = 13;
        const int Call = 15;
        const int Instruction = 16;
        bool isCall = stopped == CallSignal
            ? registers[Call] == GetPriority
            : registers[Result] == GetPriority
                && registers[Second] is Begins or Ends or IsDone
                && (PeekAt(id, registers[Instruction]) & LowestBytes) == CallInstruction;
        return isCall && registers[Second] is Begins or Ends or IsDone ? (int)registers[Second] : 0;
    }

    private static bool IsStopped(int status) => (status & 0xFF) == 0x7F;

    private static long PeekAt(int id, long address) => ptrace(Peek, id, (nint)address, 0);

    [LibraryImport("libc", SetLastError = true)]
    private static partial nint ptrace(int request, int process, nint address, nint data);

    [LibraryImport("libc", SetLastError = true)]
    private static partial nint ptrace(int request, int process, nint address, ref long data);

    [LibraryImport("libc", StringMarshalling = StringMarshalling.Utf8)]
    private static partial int posix_spawnp(
        out int id, string file, nint actions, nint attributes, string?[] arguments, string?[] surroundings);

    [LibraryImport("libc")]
    private static partial int raise(int signal);

    [LibraryImport("libc")]
    private static partial int waitpid(int process, out int status, int options);

    [LibraryImport("libc")]
    [SuppressGCTransition]
    private static partial int getpriority(int kind, int user);
}
