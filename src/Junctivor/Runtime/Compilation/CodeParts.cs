namespace Junctivor.Runtime;

/// <summary>Says of each plan below one whether code can be made from it, how large that is, and where it is cut into several
/// methods.</summary>
internal sealed class CodeParts
{
    /// <summary>In larger methods the just-in-time compiler stops to do its best.</summary>
    private const int LargestMethod = 200;

    /// <summary>What cannot be cut and is larger than this is created step by step.</summary>
    private const int LargestAnyway = 500;

    /// <summary>What is smaller is not worth a method.</summary>
    private const int SmallestCut = 8;

    private readonly PlainCode _plain = new();
    private readonly Dictionary<Plan, Part> _parts = [];
    private readonly Dictionary<Plan, int> _sizesOfCuts = [];

    /// <summary>What is to get a method of its own, each behind those that it calls.</summary>
    public List<Plan> Cuts { get; } = [];

    /// <summary>Looks at everything below a plan.</summary>
    /// <returns>Whether code can be made from it.</returns>
    public bool Survey(Plan root)
    {
        Stack<Plan> open = new([root]);
        while (open.TryPeek(out Plan? plan))
        {
            Plan[] unknown = _parts.ContainsKey(plan) ? [] : [.. Inside(plan).Where(inner => !_parts.ContainsKey(inner))];
            if (unknown.Length > 0)
            {
                Array.ForEach(unknown, open.Push);
                continue;
            }

            open.Pop();
            _parts.TryAdd(plan, Measure(plan));
        }

        return _parts[root].CanMake;
    }

    public bool IsCut(Plan plan) => _sizesOfCuts.ContainsKey(plan);

    /// <summary>How many constructors and the like the code of a plan calls that was looked at last, in all its methods.</summary>
    public int SizeOfAll(Plan plan) => _parts[plan].Size + Cuts.Sum(cut => _sizesOfCuts[cut]);

    /// <summary>Whether the code itself can make a scoped service, or only take it where it is there.</summary>
    public bool CanCreate(Plan plan) => _parts[plan].CanMake;

    /// <summary>The singleton that a plan gives; null if it is not there yet.</summary>
    public static object? ReadyOf(Plan plan) => plan.Ready ?? (plan.Recipe as SharedRecipe)?.Ready;

    /// <summary>What is created as part of a plan.</summary>
    public IEnumerable<Plan> Inside(Plan plan) => IsCreatedInside(plan) ? plan.Arguments : [];

    private bool IsCreatedInside(Plan plan) => CodeForms.Of(plan) is CodeForm.List or CodeForm.Dictionary
        || (CodeForms.Of(plan) is CodeForm.Constructed or CodeForm.Scoped && IsPlain(plan.Recipe));

    private bool IsPlain(Recipe recipe) => recipe switch
    {
        ConstructorRecipe constructing =>
            CodeCompiler.CanPass(constructing.Constructor.GetParameters()) && _plain.IsPlain(constructing.Constructor),
        PropertyFillingRecipe filling => IsPlain(filling.Constructing)
            && filling.Properties.All(
                property => property.SetMethod is { } setter
                    && (!setter.IsVirtual || setter.IsFinal)
                    && !property.DeclaringType!.IsValueType && _plain.IsPlain(setter)),
        _ => false,
    };

    private Part Measure(Plan plan)
    {
        bool isInside = IsCreatedInside(plan);
        bool canMake = isInside && Inside(plan).All(inner => _parts[inner].IsPossible);
        return CodeForms.Of(plan) switch
        {
            CodeForm.Impossible => Part.Impossible,
            CodeForm.Ready => ReadyOf(plan) is null ? Part.Impossible : Part.Leaf,
            CodeForm.Constructed or CodeForm.List or CodeForm.Dictionary => canMake ? Cut(plan) : Part.Impossible,
            CodeForm.Asked => new Part(true, 1, true),
            CodeForm.Scoped =>
                canMake && SizeOf(plan) <= LargestAnyway
                    ? new Part(
                        true, SizeOf(plan), true, Inside(plan).Any(inner => _parts[inner].Owns),
                        Inside(plan).Any(inner => _parts[inner].HasCuts)) : Part.Leaf,
            _ => Part.Leaf,
        };
    }

    private int SizeOf(Plan plan) => 1 + Inside(plan).Sum(inner => _parts[inner].Size);

    /// <summary>Returns methods of their own to the largest inside, until the rest is small enough.</summary>
    private Part Cut(Plan plan)
    {
        int size = SizeOf(plan);
        if (size > LargestMethod)
        {
            foreach (IGrouping<Plan, Plan> same in Inside(plan)
                .GroupBy(inner => inner)
                .OrderByDescending(same => _parts[same.Key].Size)
                .TakeWhile(_ => size > LargestMethod))
            {
                Part part = _parts[same.Key];
                if (CodeForms.Of(same.Key) == CodeForm.Constructed && part.Size >= SmallestCut)
                {
                    size -= same.Count() * (part.Size - 1);
                    _parts[same.Key] = part with { Size = 1 };
                    _sizesOfCuts.Add(same.Key, part.Size);
                    Cuts.Add(same.Key);
                }
            }
        }

        bool owns = plan.IsOwned || Inside(plan).Any(inner => _parts[inner].Owns);
        bool isCut = Inside(plan).Any(inner => IsCut(inner) || _parts[inner].HasCuts);
        return size > LargestAnyway || (owns && isCut) ? Part.Impossible : new Part(true, size, true, owns, isCut);
    }

    /// <param name="IsPossible">Whether code can come to it.</param>
    /// <param name="Size">How many constructors and the like one method calls for it.</param>
    /// <param name="CanMake">Whether code can make it.</param>
    /// <param name="Owns">Whether something in it is to be disposed that is not shared.</param>
    /// <param name="HasCuts">Whether parts of it have methods of their own, which may give up when others have been called.</param>
    private readonly record struct Part(bool IsPossible, int Size, bool CanMake, bool Owns = false, bool HasCuts = false)
    {
        public static readonly Part Impossible = new(false, 0, false);
        public static readonly Part Leaf = new(true, 1, false);
    }
}
