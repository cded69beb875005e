namespace Junctivor.Graph;

/// <summary>Returns the arguments of a call to the parameters of what it constructs: by type, and those of one type by order.</summary>
internal static class ArgumentPassing
{
    /// <summary>A node of which some parameters take arguments.</summary>
    /// <param name="node">What is constructed.</param>
    /// <param name="arguments">The types of the arguments.</param>
    /// <param name="untaken">The types of those that no parameter takes.</param>
    public static Node Fill(Node node, IReadOnlyList<TypeRef> arguments, out IReadOnlyList<TypeRef> untaken)
    {
        bool[] isTaken = new bool[arguments.Count];
        Dictionary<Parameter, Parameter> taking = [];
        Parameter[] parameters = node.Kind == NodeKind.Class ? node.ChosenConstructor?.Parameters ?? [] : node.FactoryParameters;
        if (node.Kind == NodeKind.Class && node.Constructors.Length == 0)
        {
            // That there is no constructor is what is wrong, whatever it would take.
            untaken = [];
            return node.Derive();
        }

        Give(IsOfType);
        Give((argument, parameter) => argument.Equals(parameter.Type));
        Give((argument, parameter) => argument.Serves(parameter.Type));

        untaken = [.. arguments.Where((_, number) => !isTaken[number])];
        return node.Derive() with
        {
            Constructors = node.ChosenConstructor is { } chosen ? [chosen.With(Replace(chosen.Parameters))] : node.Constructors,
            FactoryParameters = Replace(node.FactoryParameters),
        };

        void Give(Func<TypeRef, Parameter, bool> fits)
        {
            foreach (Parameter parameter in parameters.Where(each => each.Mark is null && !taking.ContainsKey(each)))
            {
                int number = Enumerable.Range(0, arguments.Count)
                    .Where(each => !isTaken[each] && fits(arguments[each], parameter))
                    .DefaultIfEmpty(-1).First();
                if (number >= 0)
                {
                    isTaken[number] = true;
                    taking.Add(parameter, parameter.TakingArgument(number));
                }
            }
        }

        static bool IsOfType(TypeRef argument, Parameter parameter) => parameter.IsNullableStructure
            ? argument.DefinitionName == WellKnownTypes.Nullable && argument.Arguments is [var value] && value.Equals(parameter.Type)
            : argument.Equals(parameter.Type);

        Parameter[] Replace(Parameter[] all) =>
            [.. all.Select(parameter => taking.TryGetValue(parameter, out Parameter? changed) ? changed : parameter)];
    }
}
