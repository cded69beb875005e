using System.Diagnostics;
using System.Globalization;
using System.Reflection;
using System.Runtime;
using Junctivor;
using Junctivor.Benchmarks.Services;
using Start;

// wired | by-hand [count]    serves one request; says how many methods were compiled at run time
// build | read NUMBER        builds that many services, or reads their classes: says how many microseconds that took
return args switch
{
    ["wired"] => Wired.Serve() is Desk ? 0 : 1,
    ["by-hand"] => ByHand.Serve() is Desk ? 0 : 1,
    ["wired", "count"] => Count(Wired.Serve()),
    ["by-hand", "count"] => Count(ByHand.Serve()),
    ["build", string number] => Time(Emit(number), Build),
    ["read", string number] => Time(Emit(number), Read),
    _ => 2,
};

static int Count(object desk)
{
    Console.WriteLine(JitInfo.GetCompiledMethodCount());
    return desk is Desk ? 0 : 1;
}

static IReadOnlyList<Type> Emit(string number) => EmittedClasses.Emit(int.Parse(number, CultureInfo.InvariantCulture), 3);

static int Time(IReadOnlyList<Type> classes, Func<IReadOnlyList<Type>, object> work)
{
    long started = Stopwatch.GetTimestamp();
    object made = work(classes);
    Console.WriteLine((long)Stopwatch.GetElapsedTime(started).TotalMicroseconds);
    return made is null ? 1 : 0;
}

static object Build(IReadOnlyList<Type> classes)
{
    Wiring wiring = [];
    foreach (Type each in classes)
    {
        wiring.Add(Transient.Of(each));
    }

    return wiring.Build();
}

static object Read(IReadOnlyList<Type> classes)
{
    int length = 0;
    foreach (Type each in classes)
    {
        foreach (ConstructorInfo constructor in each.GetConstructors())
        {
            foreach (ParameterInfo parameter in constructor.GetParameters())
            {
                length += parameter.Name!.Length + parameter.ParameterType.Name.Length;
            }
        }
    }

    return length;
}
