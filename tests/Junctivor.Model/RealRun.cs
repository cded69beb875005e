using System.Collections;
using System.Reflection;

namespace Junctivor.Model;

/// <summary>Runs a wiring with the library itself.</summary>
public sealed class RealRun : IRun
{
    private readonly Registrations _registrations;
    private readonly Journal _journal;
    private readonly Container _container;
    private readonly IReadOnlyList<int> _promised;

    /// <param name="entries">The wiring.</param>
    /// <param name="specification">What it means.</param>
    /// <param name="journal">Told what happens.</param>
    /// <param name="compilation">When code is compiled.</param>
    /// <param name="further">Registrations that the model knows nothing of.</param>
    public RealRun(
        IReadOnlyList<Entry> entries, Specification specification, Journal journal, PlanCompilation compilation,
        params Registration[] further)
    {
        _registrations = new Registrations(entries);
        _journal = journal;
        Wiring wiring = [.. _registrations.ToWiring(journal), .. further];
        _container = wiring.Build(new BuildOptions { Compilation = compilation });
        _promised = [.. new ModelRun(specification, new Journal()).Promised];
    }

    public object Root => _container;

    public object StartShift(object outer) => ((Resolver)outer).StartScope(_registrations.Shift);

    public object StartScope(object outer, bool hasValues) =>
        Refusing(
            () => ((Resolver)outer).StartScopeAsync(
                [.. (hasValues ? _promised : []).Select(
                    number => Incoming.ValueAs(Registrations.Part(number), Registrations.Given(number, _journal)))])
                    .AsTask()
                    .GetAwaiter()
                    .GetResult());

    public void End(object scope) => InjectedFailure.Retry(() => ((Resolver)scope).DisposeAsync().AsTask().Wait(Timeout.Infinite));

    public object Resolve(object scope, int number, bool isAlso, string? mark) => Refusing(() =>
    {
        Type service = isAlso ? Registrations.Also(number) : Registrations.Part(number);
        Resolver resolver = (Resolver)scope;
        return mark is null ? resolver.Resolve(service) : resolver.Resolve(service, mark);
    });

    public Shown Show(object thing)
    {
        Type type = thing.GetType();
        return thing switch
        {
            Nothing or string => new Shown.Nothing(),
            _ when type.GetInterfaces().Any(each => each.IsGenericType && each.GetGenericTypeDefinition() == typeof(IAlso<>)) =>
                new Shown.Part((string)type.GetProperty("Name")!.GetValue(thing)!, (object?[])type.GetProperty("Needs")!.GetValue(thing)!),
            Delegate function => new Shown.Later(() => Refusing(() => function.DynamicInvoke()!)),
            IDictionary keyed => new Shown.Keyed([.. keyed.Keys.Cast<string>().Select(mark => (mark, keyed[mark]!))]),
            IEnumerable list => new Shown.List([.. list.Cast<object>()]),
            _ when type.GetGenericTypeDefinition() == typeof(Lazy<>) =>
                new Shown.Later(() => Refusing(() => type.GetProperty("Value")!.GetValue(thing)!)),
            _ => new Shown.Fresh(use => Refusing(() => typeof(RealRun)
                .GetMethod(nameof(Use), BindingFlags.NonPublic | BindingFlags.Static)!
                .MakeGenericMethod(type.GenericTypeArguments)
                .Invoke(null, [thing, use])!)),
        };
    }

    /// <summary>Ends it asynchronously, as some parts want it.</summary>
    private static string Use<T>(FreshScope<T> fresh, Action<object> use)
        where T : notnull
    {
        fresh.RunAsync(part =>
        {
            use(part);
            return Task.CompletedTask;
        }).GetAwaiter().GetResult();
        return "";
    }

    private static object Refusing(Func<object> ask)
    {
        try
        {
            return InjectedFailure.Retry(ask);
        }
        catch (TargetInvocationException failure)
        {
            throw CodeOf(failure.InnerException!) is { } code ? new Refusal(code) : failure;
        }
        catch (Exception failure) when (CodeOf(failure) is not null)
        {
            throw new Refusal(CodeOf(failure)!);
        }
    }

    private static string? CodeOf(Exception failure) => failure switch
    {
        ResolveException refused => refused.Fault.Code,
        ObjectDisposedException => "ended",
        Refusal refusal => refusal.Code,
        _ => null,
    };
}
