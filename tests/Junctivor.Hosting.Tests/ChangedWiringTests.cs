using System.Reflection;
using System.Reflection.Metadata;

namespace Junctivor.Hosting.Tests;

/// <summary>A change of a wiring while the program runs is told, as the container keeps what it was built with.</summary>
[Collection("programs")]
public class ChangedWiringTests
{
    private static Wiring Declared =>
        [Singleton.From(() => new Uri("quay://1")).Background((_, stop) => Task.Delay(Timeout.Infinite, stop))];

    [Fact]
    public async Task A_changed_wiring_is_told_and_other_changes_are_not()
    {
        await using Container container = Declared.Build();
        using CancellationTokenSource stop = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        StringWriter errors = new();
        Task<int> running = container.RunWiredAsync<Uri>(
            async (_, stopping) =>
            {
                Change(typeof(ProgramOptions), typeof(string));
                Change(null);
                Change(typeof(Nested));
                await stop.CancelAsync();
                await Task.Delay(Timeout.Infinite, stopping);
            },
            new ProgramOptions { Errors = errors, Stop = stop.Token });

        await running;
        Change(typeof(ChangedWiringTests));

        Assert.Equal(
            "ChangedWiringTests, which has a wiring, was changed. The container keeps the registrations that it was built with: restart "
                + $"the program, in dotnet watch with Ctrl+R.{Environment.NewLine}",
            errors.ToString());
    }

    /// <summary>Calls what the runtime calls when it has changed code.</summary>
    private static void Change(params Type[]? changed) => typeof(WiredProgram).Assembly
        .GetCustomAttribute<MetadataUpdateHandlerAttribute>()!.HandlerType
        .GetMethod("UpdateApplication", [typeof(Type[])])!.Invoke(null, [changed]);

    private sealed class Nested;
}
