using System.Reflection;
using System.Threading.Channels;
using Junctivor.Checks;

namespace Junctivor.Tests.Reliability;

/// <summary>Null, where nobody may pass it, is refused by name: never by a failure somewhere inside.</summary>
public class NullArgumentTests
{
    private static readonly Container Container =
        new Wiring { Scoped.Of<SystemClock>(), Singleton.Of<Caller>().Passing("Name", "Mira"), Scoped.Incoming<LedgerFile>() }.Build();

    private static readonly ScopeLevel Shift = new("shift");

    /// <summary>What members are called on.</summary>
    private static readonly object[] Targets =
    [
        Container, Container.StartScope(), new Wiring(), Singleton.Of<SystemClock>(), Decorator.From((object inner) => inner),
        Alias.Of<object, SystemClock>(), Singleton.Value("x"), Scoped.Incoming<string>(), Shift, Incoming.Value(1), new BuildOptions(),
        new FreshScope<SystemClock>(() => new SystemClock()),
        new Sessions(Container, Shift, (_, _) => Task.CompletedTask),
        new JobSchedule(Container, (_, _) => Task.CompletedTask),
        new MessagePump<string>(Container, Channel.CreateUnbounded<string>().Reader, (_, _) => Task.CompletedTask),
    ];

    public static TheoryData<string> Members =>
    [
        .. Callable()
            .Where(each => Nullables(each.Method).Any())
            .Select(each => $"{each.Method.DeclaringType!.Name}.{each.Method}")
            .Distinct(),
    ];

    [Theory]
    [MemberData(nameof(Members))]
    public void Null_is_refused_by_the_name_of_the_parameter(string member)
    {
        foreach ((object? target, MethodBase method) in Callable()
            .Where(each => $"{each.Method.DeclaringType!.Name}.{each.Method}" == member))
        {
            foreach (ParameterInfo parameter in Nullables(method))
            {
                object?[] arguments = [.. method.GetParameters().Select(each => each == parameter ? null : Argument(each))];

                Exception? thrown = Record.Exception(() => Call(method, target, arguments));

                ArgumentException refused = Assert.IsType<ArgumentException>(thrown, exactMatch: false);
                Assert.Equal(parameter.Name, refused.ParamName);
            }
        }
    }

    /// <summary>Those that take values, which reflection cannot call.</summary>
    [Fact]
    public void Null_before_values_is_refused()
    {
        Assert.Equal("options", Assert.Throws<ArgumentNullException>(() => new Wiring().Build((BuildOptions)null!)).ParamName);
        Assert.Equal("changes", Assert.Throws<ArgumentNullException>(() => Container.Branch(null!)).ParamName);
        Assert.Equal("level", Assert.Throws<ArgumentNullException>(() => Container.StartScope((ScopeLevel)null!)).ParamName);
        Assert.Equal("service", Assert.Throws<ArgumentNullException>(() => Container.Lend(null!)).ParamName);
        Assert.Equal("type", Assert.Throws<ArgumentNullException>(() => Container.Construct(null!)).ParamName);
        Assert.Equal(
            "work", Assert.Throws<ArgumentNullException>(() => new FreshScope<object>(() => 1).Run((Action<object>)null!)).ParamName);
    }

    [Fact]
    public async Task Null_before_values_is_refused_where_something_is_awaited()
    {
        Sessions sessions = Targets.OfType<Sessions>().Single();
        FreshScope<object> fresh = new(() => 1);
        CancellationToken token = TestContext.Current.CancellationToken;
        Assert.Equal(
            "level",
            (await Assert.ThrowsAsync<ArgumentNullException>(
                async () => await Container.StartScopeAsync((ScopeLevel)null!, cancellationToken: token))).ParamName);
        Assert.Equal(
            "key",
            (await Assert.ThrowsAsync<ArgumentNullException>(
                async () => await sessions.EnterAsync(null!, cancellationToken: token))).ParamName);
        Assert.Equal(
            "work",
            (await Assert.ThrowsAsync<ArgumentNullException>(
                () => fresh.RunAsync((Func<object, Task>)null!, cancellationToken: token))).ParamName);
        Assert.Equal(
            "work",
            (await Assert.ThrowsAsync<ArgumentNullException>(
                () => fresh.RunAsync((Func<object, ValueTask<int>>)null!, cancellationToken: token))).ParamName);
    }

    [Fact]
    public void Null_among_values_and_arguments_is_refused()
    {
        Assert.Equal("incoming", Assert.Throws<ArgumentNullException>(() => Container.StartScope([null!])).ParamName);
        Assert.Equal(
            "incoming",
            Assert.Throws<ArgumentNullException>(() => Container.StartScope(Incoming.Value(new LedgerFile("x")), null!)).ParamName);
        Assert.Equal("incoming", Assert.Throws<ArgumentNullException>(() => new Wiring().Build([null!])).ParamName);
        Assert.Equal("incoming", Assert.Throws<ArgumentNullException>(() => Container.Branch([], [null!])).ParamName);
        Assert.Equal("arguments", Assert.Throws<ArgumentNullException>(() => Container.Construct<Caller>([null!])).ParamName);
    }

    private static IEnumerable<(object? Target, MethodBase Method)> Callable()
    {
        foreach (Type type in typeof(Wiring).Assembly.GetExportedTypes().Where(type =>
            !type.IsEnum
                && !type.IsInterface
                && !typeof(Attribute).IsAssignableFrom(type)
                && type != typeof(FaultStep)
                && type != typeof(Fix)))
        {
            object? target = Array.Find(Targets, type.IsInstanceOfType);
            Type closed = target is not null && type.ContainsGenericParameters ? target.GetType() : type;
            foreach (ConstructorInfo constructor in closed.ContainsGenericParameters || closed.IsAbstract ? [] : closed.GetConstructors())
            {
                yield return (null, constructor);
            }

            foreach (MethodInfo method in closed.ContainsGenericParameters
                ? []
                : closed.GetMethods(BindingFlags.Public | BindingFlags.Instance | BindingFlags.Static | BindingFlags.DeclaredOnly))
            {
                bool isOwn = !method.IsSpecialName && method.Name is not (nameof(Equals) or "CompareTo" or "PrintMembers");
                if (isOwn && (method.IsStatic || target is not null) && Closed(method) is { } callable)
                {
                    yield return (target, callable);
                }
            }
        }
    }

    /// <summary>A method with type arguments; null if none are known that it takes, or where reflection cannot call it.</summary>
    private static MethodInfo? Closed(MethodInfo method)
    {
        if (method.GetParameters().Any(parameter => parameter.ParameterType.IsByRefLike))
        {
            return null;
        }

        try
        {
            return method.IsGenericMethodDefinition
                ? method.MakeGenericMethod(
                    [.. method.GetGenericArguments()
                        .Select((argument, number) => number == 1 && method.Name == "Of" ? typeof(SystemClock) : typeof(object))])
                : method;
        }
        catch (ArgumentException)
        {
            return null;
        }
    }

    /// <summary>What must not be null: a reference that is neither optional nor said to be nothing.</summary>
    private static IEnumerable<ParameterInfo> Nullables(MethodBase method) => method.GetParameters().Where(parameter =>
        !parameter.ParameterType.IsValueType && !parameter.IsOut && !parameter.IsOptional && !parameter.ParameterType.IsByRef
        && (Definition(parameter) is not { ParameterType.IsGenericParameter: true }
            || method.Name is "Value" or "Supply" or "FillProperties")
        && new NullabilityInfoContext().Create(Definition(parameter) ?? parameter).WriteState != NullabilityState.Nullable);

    private static ParameterInfo? Definition(ParameterInfo parameter) => parameter.Member is MethodInfo { IsGenericMethod: true } method
        ? method.GetGenericMethodDefinition().GetParameters()[parameter.Position]
        : null;

    private static object? Argument(ParameterInfo parameter)
    {
        Type type = parameter.ParameterType;
        return parameter.IsOptional ? Type.Missing
            : type == typeof(string) ? (parameter.Name == "code" ? "JV303" : "x")
            : type == typeof(Type) ? typeof(object)
            : type == typeof(Wiring) ? new Wiring()
            : type == typeof(Assembly) ? typeof(NullArgumentTests).Assembly
            : Array.Find(Targets, type.IsInstanceOfType)
            ?? (type == typeof(TimeProvider) ? TimeProvider.System
            : type == typeof(TimeSpan) ? TimeSpan.FromMinutes(1)
            : typeof(Delegate).IsAssignableFrom(type) ? Delegates.Of(type)
            : type == typeof(ChannelReader<string>) ? Channel.CreateUnbounded<string>().Reader
            : type.IsValueType && !type.IsByRefLike ? Activator.CreateInstance(type)
            : type == typeof(object) ? new object()
            : null);
    }

    private static void Call(MethodBase method, object? target, object?[] arguments)
    {
        const BindingFlags Plainly = BindingFlags.DoNotWrapExceptions | BindingFlags.OptionalParamBinding | BindingFlags.InvokeMethod;
        object? result = method is ConstructorInfo constructor
            ? constructor.Invoke(Plainly, null, arguments, null)
            : method.Invoke(target, Plainly, null, arguments, null);
        (result as Task)?.GetAwaiter().GetResult();
    }

    /// <summary>Functions of any type, that give nothing.</summary>
    private static class Delegates
    {
        public static Delegate Of(Type type)
        {
            System.Linq.Expressions.ParameterExpression[] parameters = [.. type.GetMethod("Invoke")!.GetParameters()
                .Select(parameter => System.Linq.Expressions.Expression.Parameter(parameter.ParameterType))];
            return System.Linq.Expressions.Expression.Lambda(
                type, System.Linq.Expressions.Expression.Default(type.GetMethod("Invoke")!.ReturnType), parameters).Compile();
        }
    }
}
