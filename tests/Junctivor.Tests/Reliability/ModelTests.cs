using CsCheck;
using Junctivor.Model;

namespace Junctivor.Tests.Reliability;

/// <summary>
/// An independent model says which faults a random wiring has, what everything is made from, what is one, and what ends when; the library
/// agrees, in every mode of compilation. For longer than here, run tests/soak.
/// </summary>
public class ModelTests
{
    [Theory]
    [InlineData(true, 2500)]
    [InlineData(false, 4000)]
    public void The_library_and_the_model_agree(bool isTame, int samples) => Gen.Select(RandomEntries.Of(isTame), Gen.Int[0, 19]).Sample(
        (entries, turn) => Assert.Null(Comparison.Difference(entries, turn)),
        iter: samples,
        threads: 2);

    [Fact]
    public void Whatever_fails_once_succeeds_then_and_everything_that_was_created_ends_once() =>
        Gen.Select(RandomEntries.Of(isTame: true), Gen.Int[0, 19]).Sample(
        (entries, turn) => Assert.Null(FaultInjection.Trouble(entries, turn, (PlanCompilation)(turn % 3), out _)),
        iter: 80,
        threads: 2);
}
