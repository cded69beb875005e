using System.CommandLine;
using System.CommandLine.Parsing;
using System.Globalization;
using Junctivor.Cli.Commands;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Text;

namespace Junctivor.Cli;

/// <summary>The words that the command understands.</summary>
/// <param name="words">Those of this call.</param>
internal sealed class CommandLine(IReadOnlyList<string> words)
{
    private const double DefaultLimit = 60;
    private const double DefaultLimitOfMending = 600;
    private const double MostSeconds = 86_400;

    public RootCommand Root() =>
        new("Checks dependency-injection wirings, mends, explains, draws and compares them, without building a container.")
    {
        Check(), Mend(), List(), Why(), Draw(), Compare(), Fault(), Demo(),
    };

    private Command Check()
    {
        Argument<string[]> targets = new("TARGET")
        {
            Description = "An assembly that contains wirings; or a project or solution, which is built. Without one, that of the current "
                + "folder.",
            Arity = ArgumentArity.ZeroOrMore,
        };
        Option<string?> wiring = WiringOption("Check only the wiring of this name.");
        Option<bool> strict = StrictOption();
        Option<string[]> severity = SeverityOption();
        Option<CheckFormat> format = Choice<CheckFormat>("The output format; sarif is SARIF 2.1.0, for code-review tools.");
        Option<FileInfo?> output = OutputOption();
        Option<double> limit = LimitOption();
        Option<bool> watch = new("--watch") { Description = "Check again whenever the assembly is built again, until Ctrl+C." };
        Option<DirectoryInfo?> sourceRoot = new("--source-root")
        {
            Description = "The root of relative paths in SARIF; by default the working copy that contains each file.",
            HelpName = "FOLDER"
        };
        Command check = new("check", "Checks every wiring that has [CheckedWiring], with the endpoints of [CheckedEntryPoints], and reports all faults.")
        {
            targets, wiring, strict, severity, format, output, sourceRoot, watch, limit,
        };
        check.SetAction(arguments =>
        {
            CheckOutput written = new(arguments.GetValue(format), arguments.GetValue(output), arguments.GetValue(sourceRoot));
            if (arguments.GetValue(watch) && written is not { Format: CheckFormat.Text, File: null })
            {
                throw new CannotCheckException("--watch shows each report on the screen: leave out --format and --output.");
            }

            string[] named = arguments.GetValue(targets) ?? [];
            if (Terminal.IsElsewhere)
            {
                return CheckCommand.Run(
                    [.. named.Select(file => new FileInfo(file))],
                    arguments.GetValue(wiring),
                    SeverityWords.Read(arguments.GetValue(severity) ?? [], arguments.GetValue(strict)),
                    written);
            }

            // What was named as a project is passed on as the assembly that it builds.
            IReadOnlyList<FileInfo> assemblies = CheckedTargets.Assemblies(named);
            string names = string.Join(" and ", assemblies.Select(file => file.Name));
            string[] options = [.. Without(words, named).Skip(1)];
            ChildResult Check() => ChildProcess.Run(
                ["check", .. assemblies.Select(file => file.ToString()), .. options],
                names,
                TimeSpan.FromSeconds(arguments.GetValue(limit)));
            if (!arguments.GetValue(watch))
            {
                return Written(Check());
            }

            return assemblies is [var only]
                ? new WatchCommand(only, Check).Run()
                : throw new CannotCheckException($"--watch is for one assembly: name one of {names}.");
        });
        return check;
    }

    private Command Mend()
    {
        Argument<FileInfo> assembly = new("ASSEMBLY")
        {
            Description =
            "The assembly that contains the wirings, where it was built from its sources."
        };
        Option<string?> wiring = WiringOption("Mend only the wiring of this name.");
        Option<bool> strict = StrictOption();
        Option<string[]> severity = SeverityOption();
        Option<bool> dryRun = new("--dry-run") { Description = "Only show what would change." };
        Option<double> limit = LimitOption(DefaultLimitOfMending);
        Command mend = new("mend", "Makes the first fix of each fault in the sources, and shows what changes before it is written.")
        {
            assembly, wiring, strict, severity, dryRun, limit,
        };
        mend.SetAction(arguments => InChildProcess([$"{arguments.GetRequiredValue(assembly)}"], arguments.GetValue(limit), () =>
            MendCommand.Run(
                arguments.GetRequiredValue(assembly),
                arguments.GetValue(wiring),
                SeverityWords.Read(arguments.GetValue(severity) ?? [], arguments.GetValue(strict)),
                arguments.GetValue(dryRun))));
        return mend;
    }

    private Command List()
    {
        Argument<FileInfo> file = FileArgument();
        Option<string?> wiring = WiringOption("List only the wiring of this name.");
        Option<string?> matching = new("--matching")
        {
            Description = "Only registrations with this text in a service, a class, a mark or a file.",
            HelpName = "TEXT"
        };
        Option<string?> lifetime = new("--lifetime")
        {
            Description = "Only this lifetime: singleton, scoped, transient, or a scope level of your own.",
            HelpName = "NAME"
        };
        Option<OutputFormat> format = Choice<OutputFormat>("text, or json: the whole graph, to be saved and compared.");
        Option<FileInfo?> output = OutputOption();
        Option<double> limit = LimitOption();
        Command list = new("list", "Lists the registrations of a wiring: service, what creates it, lifetime, mark, place.")
        {
            file, wiring, matching, lifetime, format, output, limit,
        };
        list.SetAction(arguments => Paged(arguments.GetRequiredValue(file), arguments.GetValue(limit), () =>
            ListCommand.Run(
                arguments.GetRequiredValue(file),
                arguments.GetValue(wiring),
                new ListFilter(arguments.GetValue(matching), arguments.GetValue(lifetime)),
                arguments.GetValue(format),
                arguments.GetValue(output))));
        return list;
    }

    private Command Why()
    {
        Argument<FileInfo> file = FileArgument();
        Argument<string> service = new("SERVICE") { Description = "The name of the service, short or full; with a mark as SERVICE@MARK." };
        Option<string?> wiring = WiringOption("Explain only the wiring of this name.");
        Option<OutputFormat> format = Choice<OutputFormat>("The output format; json has all services that match.");
        Option<FileInfo?> output = OutputOption();
        Option<double> limit = LimitOption();
        Command why = new("why", "Explains a service: what creates it, its dependencies as a tree, and what depends on it.")
        {
            file, service, wiring, format, output, limit,
        };
        why.SetAction(arguments => Paged(arguments.GetRequiredValue(file), arguments.GetValue(limit), () =>
            WhyCommand.Run(
                arguments.GetRequiredValue(file), arguments.GetRequiredValue(service), arguments.GetValue(wiring),
                arguments.GetValue(format),
                arguments.GetValue(output))));
        return why;
    }

    private Command Draw()
    {
        Argument<FileInfo> file = FileArgument();
        Option<string?> wiring = WiringOption("Draw the wiring of this name.");
        Option<string?> from = new("--from") { Description = "Draw a service, and all that it comes to.", HelpName = "SERVICE" };
        Option<string?> around = new("--around")
        {
            Description = "Draw a service, what it requires, and what requires it.",
            HelpName = "SERVICE"
        };
        Option<string[]> path = new("--path")
        {
            Description = "Draw all ways from one service to another.",
            HelpName = "SERVICE SERVICE",
            Arity = new ArgumentArity(2, 2),
            AllowMultipleArgumentsPerToken = true,
        };
        Option<DrawFormat> format = Choice<DrawFormat>(
            "html, by default: a page, written to a file that is called like the wiring; svg, laid out by Graphviz, which must be "
                + "installed; dot, mermaid, or json.");
        Option<FileInfo?> output = OutputOption();
        Option<double> limit = LimitOption();
        Command draw = new("draw", "Draws a wiring: what requires what, how long it lives, and where faults are.")
        {
            file, wiring, from, around, path, format, output, limit,
        };
        draw.SetAction(arguments => InChildProcess([$"{arguments.GetRequiredValue(file)}"], arguments.GetValue(limit), () =>
            DrawCommand.Run(
                arguments.GetRequiredValue(file),
                arguments.GetValue(wiring),
                new DrawnPart(arguments.GetValue(from), arguments.GetValue(around), arguments.GetValue(path) ?? []),
                arguments.GetValue(format),
                arguments.GetValue(output))));
        return draw;
    }

    private Command Compare()
    {
        Argument<string> before = new("BEFORE")
        {
            Description = "An assembly or a saved graph; ASSEMBLY@NAME where it has several wirings."
        };
        Argument<string> after = new("AFTER") { Description = "What to compare it with: the same kinds." };
        Option<string?> wiring = WiringOption("The name of the wiring, if it is not given with @.");
        Option<CompareFormat> format = Choice<CompareFormat>(
            "The output format; html is a page that draws both in one, written to a file that is called like them.");
        Option<FileInfo?> output = OutputOption();
        Option<double> limit = LimitOption();
        Command compare = new("compare", "Reports the differences between two wirings; the exit code is 1 if there are any.")
        {
            before, after, wiring, format, output, limit,
        };
        compare.SetAction(arguments => InChildProcess(
            [arguments.GetRequiredValue(before), arguments.GetRequiredValue(after)],
            arguments.GetValue(limit),
            () => CompareCommand.Run(
                arguments.GetRequiredValue(before),
                arguments.GetRequiredValue(after),
                arguments.GetValue(wiring),
                arguments.GetValue(format),
                arguments.GetValue(output))));
        return compare;
    }

    private static Command Fault()
    {
        Argument<string?> code = new("CODE")
        {
            Description = "A code such as JV301; without one, all codes are listed.",
            Arity = ArgumentArity.ZeroOrOne,
        };
        Command fault = new("fault", "Explains a fault code: what it means, why it matters, how to fix it.") { code };
        fault.SetAction(arguments => FaultCommand.Run(arguments.GetValue(code)));
        return fault;
    }

    private static Command Demo()
    {
        Option<bool> page = new("--page") { Description = "Open a page that shows a harbour office at work, live in the browser." };
        Option<int> port = new("--port") { Description = "The port of that page; any free one by default.", HelpName = "NUMBER" };
        port.Validators.Add(result =>
        {
            if (result.Tokens is [Token only, ..]
                && !(int.TryParse(only.Value, CultureInfo.InvariantCulture, out int number) && number is > 0 and <= ushort.MaxValue))
            {
                result.AddError($"--port must be a number from 1 to {ushort.MaxValue}.");
            }
        });
        Command demo = new("demo", "Runs these commands on the wirings that come with the tool.") { page, port };
        demo.SetAction((arguments, _) => arguments.GetValue(page)
            ? DemoPageCommand.RunAsync(arguments.GetValue(port))
            : Task.FromResult(DemoCommand.Run()));
        return demo;
    }

    private static Argument<FileInfo> FileArgument() =>
        new("ASSEMBLY") { Description = "The assembly that contains the wirings, or a saved graph (.json)." };

    private static Option<string?> WiringOption(string description) => new("--wiring") { Description = description, HelpName = "NAME" };

    /// <summary>The option --format, of which each value is a word; a wrong one is refused with those that there are.</summary>
    private static Option<T> Choice<T>(string description)
        where T : struct, Enum
    {
        string[] words = [.. Enum.GetNames<T>().Select(name => name.ToLowerInvariant())];
        return new Option<T>("--format")
        {
            Description = description,
            HelpName = string.Join('|', words),
            CustomParser = result =>
            {
                int number = Array.IndexOf(words, result.Tokens[0].Value.ToLowerInvariant());
                if (number >= 0)
                {
                    return Enum.GetValues<T>()[number];
                }

                string given = result.Tokens[0].Value;
                result.AddError($"--format is {Words.Or(words)}, not '{given}'{Words.Near(words, given)}.");
                return default;
            },
        };
    }

    private static Option<bool> StrictOption() => new("--strict") { Description = "Count warnings as faults." };

    private static Option<string[]> SeverityOption() => new("--severity")
    {
        Description = "Set the severity of a code, such as JV303=fault; can be repeated.",
        HelpName = "CODE=fault|warning|note",
    };

    private static Option<FileInfo?> OutputOption() =>
        new("--output") { Description = "Write to this file instead of standard output.", HelpName = "FILE" };

    private static Option<double> LimitOption(double seconds = DefaultLimit)
    {
        Option<double> limit = new("--limit")
        {
            Description = "How many seconds the wiring code of an assembly may take.",
            HelpName = "SECONDS",
            DefaultValueFactory = _ => seconds,
        };
        limit.Validators.Add(result =>
        {
            if (result.Tokens is [Token only, ..]
                && !(double.TryParse(only.Value, CultureInfo.InvariantCulture, out double seconds) && seconds is > 0 and <= MostSeconds))
            {
                result.AddError($"--limit must be a number of seconds, greater than 0 and at most {MostSeconds}.");
            }
        });
        return limit;
    }

    /// <summary>Runs code of an assembly in a process of its own; a saved graph is only read, and that is done here.</summary>
    private int InChildProcess(string[] files, double seconds, Func<int> run)
    {
        if (!NeedsChild(files))
        {
            return run();
        }

        return Written(Ask(files, seconds));
    }

    private static int Written(ChildResult result)
    {
        Terminal.Out.Write(result.Output);
        Terminal.Errors.Write(result.Errors);
        return result.Status;
    }

    /// <summary>The words of a call but for some, each of which is left out as often as it is named.</summary>
    private static IEnumerable<string> Without(IReadOnlyList<string> words, IReadOnlyList<string> named)
    {
        List<string> left = [.. named];
        return words.Where(word => !left.Remove(word));
    }

    /// <summary>The same for what people read, which may be longer than the terminal shows.</summary>
    private int Paged(FileInfo file, double seconds, Func<int> run)
    {
        if (!NeedsChild([$"{file}"]))
        {
            return Pager.While(run);
        }

        ChildResult result = Ask([$"{file}"], seconds);
        Pager.Show(result.Output);
        Terminal.Errors.Write(result.Errors);
        return result.Status;
    }

    private static bool NeedsChild(string[] files) => !Terminal.IsElsewhere && !files.All(WiringSource.IsSavedGraph);

    private ChildResult Ask(string[] files, double seconds) => ChildProcess.Run(
        words,
        string.Join(" and ", files.Where(file => !WiringSource.IsSavedGraph(file)).Select(Path.GetFileName)),
        TimeSpan.FromSeconds(seconds));

    /// <summary>The call or the assembly is at fault: one line on standard error.</summary>
    public static int Complain(Exception failure)
    {
        string message = failure.GetBaseException() switch
        {
            CannotCheckException problem => problem.Message,
            IOException problem => $"the result could not be written: {problem.Message}",
            Exception problem when FailureText.OfLoading(problem) is { } reason => $"not all types of the assembly can be loaded: {reason}",
            Exception problem => $"internal error of the command: {FailureText.Of(problem)}",
        };
        try
        {
            Terminal.Errors.WriteLine($"junctivor: {message.ReplaceLineEndings(" ")}");
        }
#pragma warning disable CA1031 // Nobody listens, whatever is wrong with standard error.
        catch (Exception)
#pragma warning restore CA1031
        {
        }

        return ExitStatus.CannotCheck;
    }
}
