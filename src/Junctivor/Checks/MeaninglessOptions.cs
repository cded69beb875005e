using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Finds what was written behind a registration and means nothing there.</summary>
internal static class MeaninglessOptions
{
    /// <summary>Whether several parameters have a type of this name: then constants of it are for different ones.</summary>
    private static bool AreOfType(Node node, string name) =>
        node.ChosenConstructor is { } chosen && chosen.Parameters.Count(parameter => parameter.Type.SimpleName == name) > 1;

    /// <param name="node">The registration, with everything but this.</param>
    /// <param name="passed">What <c>Passing</c> names: a parameter, or else a type.</param>
    /// <param name="warming">The options of it that warm up and wind down.</param>
    public static IEnumerable<MeaninglessOption> Find(Node node, IReadOnlyList<string> passed, IReadOnlyList<string> warming)
    {
        if (passed.Count > 0 && node.Kind != NodeKind.Class)
        {
            yield return new MeaninglessOption(
                $"{OptionNames.Passing} sets a constructor parameter, but this registration calls no constructor", OptionNames.Passing);
        }

        if (passed.GroupBy(name => name).FirstOrDefault(same => same.Count() > 1 && !AreOfType(node, same.Key)) is { } twice)
        {
            yield return new MeaninglessOption($"{OptionNames.Passing} sets {twice.Key} {twice.Count()} times");
        }

        if (node.Options.OnlyFor is { IsInterface: true } consumer)
        {
            yield return new MeaninglessOption(
                $"{OptionNames.OnlyFor} names {consumer.SimpleName}, which is an interface: name the class that takes the service",
                OptionNames.OnlyFor);
        }

        if (node.Has(RegistrationFlags.SuppliedLater) && !(node.Kind == NodeKind.Incoming && node.Level == Level.Singleton))
        {
            yield return new MeaninglessOption(
                $"{RegistrationFlags.SuppliedLater} applies only to a value declared with Singleton.Incoming",
                nameof(RegistrationFlags.SuppliedLater));
        }

        if (warming.Count > 0 && (node.Level != Level.Singleton || !node.CreatesInstances))
        {
            yield return new MeaninglessOption(
                $"{OptionNames.WarmUp}, {OptionNames.WindDown} and {OptionNames.Background} apply only to singletons that the "
                    + "container creates",
                warming[0]);
        }

        foreach (Acceptance acceptance in node.Options.Accepted)
        {
            if (FaultKind.Find(acceptance.Code) is not { } kind)
            {
                yield return new MeaninglessOption(
                    $"{OptionNames.Accept} names {acceptance.Code}, which is not a fault code", OptionNames.Accept, acceptance.Code);
            }
            else if (!kind.CanBeLowered)
            {
                yield return new MeaninglessOption(
                    $"{kind} cannot be accepted: the container could not work", OptionNames.Accept, kind.Code);
            }
        }

        foreach (TypeRef service in node.Services)
        {
            string definition = service.DefinitionName;
            if (definition == WellKnownTypes.Nullable && service.Arguments.Count == 1)
            {
                string underlying = service.Arguments[0].SimpleName;
                yield return new MeaninglessOption(
                    $"a consumer of {service.SimpleName} gets the registered {underlying}, so register {underlying}");
            }

            if (WellKnownTypes.IsProvided(definition))
            {
                yield return new MeaninglessOption($"{service.SimpleName} is provided by the container, so it cannot be registered");
            }
        }
    }
}
