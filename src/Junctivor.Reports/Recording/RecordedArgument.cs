namespace Junctivor.Reports.Recording;

/// <summary>What a constructor or factory was given for one parameter or property.</summary>
/// <param name="Parameter">Its name.</param>
/// <param name="Numbers">The instances, by number; several for a list; none for a value, or what is created later.</param>
internal sealed record RecordedArgument(string Parameter, IReadOnlyList<int> Numbers);
