using Junctivor;
using Junctivor.Testing;
using Xunit;

namespace Harbour_Office.Tests;

public class OfficeTests
{
    [Fact]
    public void The_wiring_is_sound() => OfficeWiring.Wiring.MustHaveNoWarnings();

    [Fact]
    public async Task The_reader_works_in_the_background_and_each_reading_has_a_scope()
    {
        TaskCompletionSource written = new();
        Wiring wiring = [.. OfficeWiring.Wiring, Singleton.Value<TextWriter>(new Telling(written)).Marked("tides").Replacing()];
        await using TestContainer test = TestContainer.Of(wiring);

        await test.Container.WarmUpAsync(TestContext.Current.CancellationToken);
        await written.Task.WaitAsync(TestContext.Current.CancellationToken);
        await test.Container.WindDownAsync(TestContext.Current.CancellationToken);

        Assert.True(test.Created<TideLog>() >= 1);
        await test.EndAsync();   // fails if a scope is left open
    }

    private sealed class Telling(TaskCompletionSource written) : StringWriter
    {
        public override Task WriteLineAsync(string? value)
        {
            written.TrySetResult();
            return base.WriteLineAsync(value);
        }
    }
}
