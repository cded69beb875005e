using System.Text.Json;
using Junctivor.Tests.Shared;

namespace Junctivor.Cli.Tests;

/// <summary>Wiring code that does anything but register: the command stays honest about it.</summary>
public sealed class HostileCodeTests : IDisposable
{
    private readonly CompiledFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Theory]
    [InlineData("System.Environment.Exit(0);", "its wiring code ended the process with status 0")]
    [InlineData("System.Environment.FailFast(\"enough\");", "its wiring code ended the process")]
    [InlineData("var thread = new System.Threading.Thread(() => throw new System.Exception(\"overboard\")); thread.Start(); "
        + "thread.Join(); System.Threading.Thread.Sleep(20_000);", "overboard")]
    [InlineData("Fall(0);", "Stack overflow")]
    public async Task Code_that_ends_its_process_is_not_taken_for_sound(string code, string said)
    {
        ProgramRun run = await Check(code);

        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Contains(said, Assert.Single(run.Errors.Trim().Split('\n')), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Code_that_never_returns_ends_at_the_limit()
    {
        ProgramRun run = await Check("System.Threading.Thread.Sleep(-1);", "--limit", "2");

        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Equal(
            "junctivor: Office.dll: its wiring code did not return within 2 s. A wiring should only register: remove what it waits for, "
                + "or increase --limit if it is only slow.",
            run.Errors.Trim());
    }

    [Theory]
    [InlineData("new System.Threading.Thread(() => System.Threading.Thread.Sleep(-1)).Start();")]
    [InlineData("System.AppDomain.CurrentDomain.ProcessExit += (_, _) => System.Threading.Thread.Sleep(-1);")]
    [InlineData("System.Diagnostics.Process.Start(\"sleep\", \"1000\");")]
    [InlineData("System.Console.In.ReadToEnd();")]
    public async Task What_the_code_leaves_behind_does_not_keep_the_command(string code)
    {
        ProgramRun run = await Check(code, "--limit", "30");

        Assert.Equal((0, ""), (run.Status, run.Errors));
        Assert.StartsWith("Wiring: sound", run.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_the_code_writes_to_standard_output_is_no_result()
    {
        ProgramRun run = await Check("System.Console.WriteLine(\"Ahoy\"); System.Console.Error.WriteLine(\"Avast\");", "--format", "json");

        using JsonDocument result = JsonDocument.Parse(run.Output);
        Assert.Equal(0, run.Status);
        Assert.Equal(["Ahoy", "Avast"], run.Errors.Trim().Split('\n'));
    }

    [Fact]
    public async Task An_exception_that_cannot_say_what_it_is_named()
    {
        ProgramRun run = await Check("throw new Mute();");

        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Contains(
            "Office.Wiring threw Mute: (reading the message threw InvalidOperationException)", Assert.Single(run.Errors.Trim().Split('\n')),
            StringComparison.Ordinal);
    }

    private Task<ProgramRun> Check(string code, params string[] options)
    {
        string office = _folder.Compile(
            "Office",
            $$"""
            public static class Office
            {
                [Junctivor.CheckedWiring]
                public static Junctivor.Wiring Wiring
                {
                    get
                    {
                        {{code}}
                        return [Junctivor.Singleton.Value("quay")];
                    }
                }

                static int Fall(int depth) => Fall(depth + 1) + 1;
            }

            public sealed class Mute : System.Exception { public override string Message => throw new System.InvalidOperationException(); }
            """,
            typeof(Wiring).Assembly.Location);
        return ProgramRun.Of("src/Junctivor.Cli", ["check", office, .. options]);
    }
}
