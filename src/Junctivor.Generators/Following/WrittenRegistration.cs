using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>A registration as the source writes it. Two calls of one property give two that say the same and are not the same.</summary>
internal sealed record WrittenRegistration
{
    public required ITypeSymbol Service { get; init; }

    public required NodeKind Kind { get; init; }

    /// <summary>The class that is constructed; for the rest, the type that is declared to be given.</summary>
    public required ITypeSymbol Implementation { get; init; }

    public required Level Level { get; init; }

    public required SourcePlace Place { get; init; }

    /// <summary>The parameters that the place is passed by, where the callers are in other projects; null if it is known.</summary>
    public (IParameterSymbol File, IParameterSymbol Line)? GivenPlace { get; init; }

    /// <summary>Whether a value may be of a type derived from <see cref="Implementation"/>.</summary>
    public bool IsDerived { get; init; }

    /// <summary>Where a diagnostic stands.</summary>
    public required Location Location { get; init; }

    /// <summary>The calls through which it was registered, the innermost first.</summary>
    public IReadOnlyList<Location> Calls { get; init; } = [];

    public IReadOnlyList<ITypeSymbol> AlsoServes { get; init; } = [];

    /// <summary>A text or a type; a parameter where the callers are in other projects; null for none.</summary>
    public object? Mark { get; init; }

    public object? TargetMark { get; init; }

    public bool IsDecorator { get; init; }

    public RegistrationOptions Options { get; init; } = RegistrationOptions.None;

    public ITypeSymbol? OnlyFor { get; init; }

    public IReadOnlyList<WrittenConstant> Passed { get; init; } = [];

    /// <summary>The calls of options behind it, in order; none for a registration of another project.</summary>
    public IReadOnlyList<WrittenOption> Written { get; init; } = [];

    /// <summary>The options that warm up and wind down.</summary>
    public IReadOnlyList<string> Warming { get; init; } = [];

    /// <summary>The factory; null for the rest.</summary>
    public WrittenFactory? Factory { get; init; }

    /// <summary>What tells that two are one object, beyond this compilation: where it is kept; null if each evaluation makes
    /// another.</summary>
    public string? Identity { get; set; }

    /// <summary>A copy, which is another object: to be changed with <c>with</c>.</summary>
    public WrittenRegistration Derive() => this with { Identity = null };

    public bool Equals(WrittenRegistration? other) => ReferenceEquals(this, other);

    public override int GetHashCode() => System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(this);
}
