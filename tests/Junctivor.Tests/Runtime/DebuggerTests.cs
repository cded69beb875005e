using System.Diagnostics;
using System.Reflection;

namespace Junctivor.Tests.Runtime;

public class DebuggerTests
{
    private static readonly ScopeLevel Shift = new("shift");

    [Fact]
    public void Debugger_shows_what_an_object_is_and_whether_it_is_disposed()
    {
        Wiring wiring = [Scoped.Of<IClock, SystemClock>(), Transient.From((FreshScope<IClock> clock) => Tuple.Create(clock))];
        Container container = wiring.Build();
        Scope scope = container.StartScope();
        Loan<IClock> loan = container.Lend<IClock>();

        Assert.Equal("Wiring: 2 registrations", Shown(wiring));
        Assert.StartsWith("scoped SystemClock for IClock (DebuggerTests.cs:", Shown(wiring.First()), StringComparison.Ordinal);
        Assert.Equal("Container: 2 registrations, sound", Shown(container));
        Assert.Equal("Scope", Shown(scope));
        Assert.Equal("Scope of the level shift", Shown(container.StartScope(Shift)));
        Assert.Equal("Loan: Junctivor.Tests.SystemClock", Shown(loan));
        Assert.Equal("Incoming int marked nights: 3", Shown(Incoming.Value(3).Marked("nights")));
        Assert.Equal("FreshScope of IClock", Shown(container.Resolve<Tuple<FreshScope<IClock>>>().Item1));
        Assert.Equal("FreshScope of IClock, without a container", Shown(new FreshScope<IClock>(() => new SystemClock())));

        scope.Dispose();
        loan.Dispose();
        container.Dispose();
        Assert.Equal(("Scope, disposed", "Loan, disposed", "Container, disposed"), (Shown(scope), Shown(loan), Shown(container)));
    }

    /// <summary>What the attribute names, which a debugger evaluates.</summary>
    private static string Shown(object shown)
    {
        Type type = shown.GetType();
        for (; !type.IsDefined(typeof(DebuggerDisplayAttribute), inherit: false); type = type.BaseType!)
        {
        }

        string expression = type.GetCustomAttribute<DebuggerDisplayAttribute>(inherit: false)!.Value;
        return (string)type.GetProperty(
            expression[1..expression.IndexOf(',', StringComparison.Ordinal)], BindingFlags.Instance | BindingFlags.NonPublic)!.GetValue(
                shown)!;
    }
}
