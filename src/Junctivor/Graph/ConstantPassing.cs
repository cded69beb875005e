namespace Junctivor.Graph;

/// <summary>Passes the constants of a registration to the parameters of its class.</summary>
internal static class ConstantPassing
{
    private const int FarthestEdit = 2;

    /// <summary>A node of which parameters are met as its registration says: by what it decorates, and by constants.</summary>
    /// <param name="node">The node, with all that its class requires.</param>
    /// <param name="passed">The constants for its parameters.</param>
    public static Node Meet(Node node, IReadOnlyList<PassedConstant> passed)
    {
        Node met = node.IsDecorator && node.ChosenConstructor is { } chosen
            ? node with { Constructors = [chosen.With(WithInner(chosen.Parameters, node.Services[0]))] }
            : node;
        return passed.Count == 0 ? met : Pass(met, passed);
    }

    /// <summary>Marks the parameter that takes what a decorator wraps: the one unmarked parameter of the service's type.</summary>
    private static Parameter[] WithInner(Parameter[] all, TypeRef service)
    {
        IReadOnlyList<Parameter> inner = [.. all.Where(parameter => parameter.Mark is null && parameter.Type.IsClosingOf(service))];
        return inner.Count == 1 ? [.. all.Select(parameter => parameter == inner[0] ? parameter.AsInner() : parameter)] : all;
    }

    private static Node Pass(Node node, IReadOnlyList<PassedConstant> passed)
    {
        if (node.ChosenConstructor is not { } chosen)
        {
            return node;
        }

        List<Parameter> filled = [.. chosen.Parameters];
        List<UnmatchedArgument> misfits = [];
        for (int number = 0; number < passed.Count; number++)
        {
            PassedConstant constant = passed[number];
            IReadOnlyList<Parameter> fitting = [.. filled.Where(parameter =>
                constant.Parameter is null ? parameter.Type.Equals(constant.Type) : parameter.Name == constant.Parameter)];
            if (AreAllPassedByType(passed, constant, fitting))
            {
                if (constant == passed.First(each => IsOfSameType(each, constant)))
                {
                    IReadOnlyList<string> names = [.. fitting.Select(parameter => parameter.Name)];
                    misfits.Add(new UnmatchedArgument(Trouble(node, constant, fitting), null, null, number) { ToName = names });
                }

                foreach (Parameter parameter in fitting)
                {
                    TakeAsPassed(filled, parameter.Name);
                }
            }
            else if (fitting.Count == 1 && constant.Fits(fitting[0]))
            {
                filled[filled.IndexOf(fitting[0])] = constant.PassTo(fitting[0]);
            }
            else
            {
                string? meant = Meant(chosen, constant);
                misfits.Add(new UnmatchedArgument(Trouble(node, constant, fitting), meant, constant.Parameter, number));
                TakeAsPassed(filled, fitting.Count == 1 ? fitting[0].Name : meant);
            }
        }

        return node with { Constructors = [chosen.With([.. filled])], Options = node.Options with { UnmatchedArguments = misfits } };
    }

    /// <summary>Whether several parameters of one type all get a constant, and it is only open which one gets which.</summary>
    private static bool AreAllPassedByType(
        IReadOnlyList<PassedConstant> passed, PassedConstant constant, IReadOnlyList<Parameter> fitting) =>
        constant.Parameter is null
        && fitting.Count > 1
        && passed.Count(each => IsOfSameType(each, constant)) == fitting.Count;

    private static bool IsOfSameType(PassedConstant one, PassedConstant other) =>
        one.Parameter is null && one.Type.Equals(other.Type);

    /// <summary>What was passed wrongly is not missing besides.</summary>
    private static void TakeAsPassed(List<Parameter> filled, string? name)
    {
        int place = filled.FindIndex(parameter => parameter.Name == name && !parameter.IsPassed);
        if (place >= 0)
        {
            filled[place] = filled[place].AsPassed();
        }
    }

    /// <summary>The parameter of nearly that name, or the only one of that type.</summary>
    private static string? Meant(Constructor chosen, PassedConstant constant)
    {
        IReadOnlyList<string> near = constant.Parameter is null
            ? []
            : [.. chosen.Parameters.Select(parameter => parameter.Name)
                .Where(name => name != constant.Parameter && EditDistance.Between(name, constant.Parameter, FarthestEdit) <= FarthestEdit)];
        IReadOnlyList<string> able =
            near.Count > 0 ? near : [.. chosen.Parameters.Where(constant.Fits).Select(parameter => parameter.Name)];
        return able.Count == 1 ? able[0] : null;
    }

    private static string Trouble(Node node, PassedConstant constant, IReadOnlyList<Parameter> fitting) =>
        (constant.Parameter, fitting.Count) switch
        {
            (null, 0) => $"{node.Implementation.Name} has no constructor parameter of type {constant.Type.Name}",
            (null, _) =>
                $"{node.Implementation.Name} has {fitting.Count} constructor parameters of type {constant.Type.Name}: "
                    + $"{string.Join(", ", fitting.Select(each => each.Name))}",
            (_, 0) => $"{node.Implementation.Name} has no constructor parameter '{constant.Parameter}'",
            _ => $"the constructor parameter '{constant.Parameter}' of {node.Implementation.Name} is of type {fitting[0].Type.Name}, but "
                + $"a value of type {constant.Type.Name} is passed",
        };
}
