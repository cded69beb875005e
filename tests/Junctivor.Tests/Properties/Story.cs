using System.Collections;
using System.Reflection;

namespace Junctivor.Tests.Properties;

/// <summary>What happened with a wiring, written so that two of them can be compared: what each service was made from, and which of them
/// are one.</summary>
internal sealed class Story
{
    private readonly Dictionary<object, int> _known = new(ReferenceEqualityComparer.Instance);
    private readonly List<string> _lines = [];

    public void Tell(string line) => _lines.Add(line);

    public void Tell(Resolver resolver, Type service)
    {
        try
        {
            _lines.Add(Show(resolver.Resolve(service)));
        }
        catch (Exception failure) when (failure is ResolveException or ConstructionException)
        {
            _lines.Add(failure.Message);
        }
    }

    public override string ToString() => string.Join('\n', _lines);

    private string ShowUsed(Func<object?[]?, object?> use)
    {
        try
        {
            return Show(use(null));
        }
        catch (TargetInvocationException failure)
        {
            return failure.InnerException!.Message;
        }
    }

    private string Show(object? thing)
    {
        if (thing is null or ValueType)
        {
            return $"{thing ?? "nothing"}";
        }

        if (_known.TryGetValue(thing, out int number))
        {
            return $"#{number}";
        }

        _known.Add(thing, _known.Count);
        string name = $"{thing.GetType().Name}#{_known.Count - 1}";
        return thing switch
        {
            IShown shown => $"{name}({string.Join(", ", shown.Shown.Select(Show))})",
            IEnumerable all => $"[{string.Join(", ", all.Cast<object>().Select(Show))}]",
            Delegate function => $"{name}({ShowUsed(function.DynamicInvoke)})",
            _ when thing.GetType().Name.StartsWith("Lazy", StringComparison.Ordinal) =>
                $"lazy({ShowUsed(_ => thing.GetType().GetProperty("Value")!.GetValue(thing))})",
            _ => name,
        };
    }
}
