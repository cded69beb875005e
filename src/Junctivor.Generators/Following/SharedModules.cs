using System.Runtime.CompilerServices;
using Junctivor.Generators.Leaving;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>
/// The entries of modules that do not depend on who uses them: static members that make a wiring of their own at each use. Such a module
/// is followed by itself, so that it is known what it depends on, and is not followed again after an edit elsewhere. One thread at a time
/// may use it.
/// </summary>
/// <param name="left">What other assemblies left behind.</param>
internal sealed class SharedModules(LeftBehind left)
{
    /// <summary>Modules within modules that are followed by themselves: those that are deeper are followed for their user.</summary>
    private const int DeepestModule = 32;

    private static readonly ConditionalWeakTable<Compilation, SharedModules> Known = new();

    /// <summary>By the identifier of the member; null for one that depends on who uses it, and while it is followed.</summary>
    private readonly Dictionary<string, Module?> _modules = [];

    /// <summary>Tells what an edit has changed since the modules were followed; null before.</summary>
    private readonly Func<SourceDependencies, bool>? _isAffected;

    private SourceModels? _models;
    private int _depth;

    private SharedModules(SharedModules before, Func<SourceDependencies, bool> isAffected)
        : this(before.Left)
    {
        _modules = before._modules;
        _isAffected = isAffected;
    }

    /// <summary>What other assemblies left behind.</summary>
    public LeftBehind Left => left;

    /// <summary>Who holds it may use it.</summary>
    public Lock Gate { get; } = new();

    /// <summary>The semantic models of a compilation, which are made once for all who use these modules.</summary>
    public SourceModels ModelsOf(Compilation compilation) => _models ??= new SourceModels(compilation);

    /// <summary>Those of a compilation.</summary>
    public static SharedModules Of(Compilation compilation) =>
        Known.GetValue(compilation, static each => new SharedModules(new LeftBehind(each)));

    /// <summary>The modules that an edit has left as they were. No others become known.</summary>
    /// <param name="isAffected">Tells what the edit has changed.</param>
    public SharedModules After(Func<SourceDependencies, bool> isAffected) => new(this, isAffected);

    /// <summary>The entries of a module; null if it is none of those.</summary>
    /// <param name="member">A static property or method without parameters.</param>
    /// <param name="frame">The evaluation.</param>
    /// <param name="members">The source.</param>
    /// <param name="cancellationToken">Ends it.</param>
    public IReadOnlyList<WiringEntry>? EntriesOf(
        ISymbol member, Frame frame, SourceMembers members, CancellationToken cancellationToken)
    {
        if (!IsModule(member, members) || !IsAlone(frame) || DocumentationCommentId.CreateDeclarationId(member) is not { } id)
        {
            return null;
        }

        if (!_modules.TryGetValue(id, out Module? module) && _isAffected is null && _depth < DeepestModule)
        {
            _modules.Add(id, null);
            _depth++;
            try
            {
                _modules[id] = module = Follow(member, members.Models, cancellationToken);
            }
            finally
            {
                _depth--;
            }
        }

        if (module is null || _isAffected?.Invoke(module.Dependencies) == true)
        {
            return null;
        }

        members.Dependencies.Add(module.Dependencies);
        return Used(module.Entries, [.. frame.Calls()]);
    }

    private static bool IsModule(ISymbol member, SourceMembers members) =>
        member is IPropertySymbol { IsStatic: true }
            or IMethodSymbol { IsStatic: true, MethodKind: MethodKind.Ordinary, Parameters.IsEmpty: true, IsGenericMethod: false }
        && member.ContainingType is { IsGenericType: false, TypeKind: not TypeKind.Extension }
        && members.IsHere(member)
        && !members.IsKept(member);

    private static bool IsAlone(Frame frame) => frame is
    {
        Arguments.Count: 0, Types.Count: 0, Receiver: null, Initialized: null, Element: null, Outer: null,
    };

    /// <summary>Follows a member by itself; null if what it gives depends on who uses it.</summary>
    private Module? Follow(ISymbol member, SourceModels models, CancellationToken cancellationToken)
    {
        WiringFollower follower = new(models, left, this, cancellationToken);
        try
        {
            IReadOnlyList<WiringEntry> entries = follower.FollowMember(member, member.Locations[0]);
            return !follower.HasKept && entries.All(IsTheSameForAll) ? new Module(entries, follower.Dependencies) : null;
        }
        catch (UnfollowableException)
        {
            return null;
        }
    }

    /// <summary>Conditions, and functions that are named, are compared with those of other modules.</summary>
    private static bool IsTheSameForAll(WiringEntry entry) =>
        !entry.Flags.Any() && entry.Registration.Factory?.Identity is null or SyntaxNode;

    /// <summary>The entries for one use: other registrations than for another use.</summary>
    private static List<WiringEntry> Used(IReadOnlyList<WiringEntry> entries, IReadOnlyList<Location> calls)
    {
        Dictionary<WrittenRegistration, WrittenRegistration> used = [];
        List<WiringEntry> result = new(entries.Count);
        foreach (WiringEntry entry in entries)
        {
            WrittenRegistration written = entry.Registration;
            if (written.Identity is null && !used.TryGetValue(entry.Registration, out written!))
            {
                written = entry.Registration.Derive() with { Calls = [.. entry.Registration.Calls, .. calls] };
                used.Add(entry.Registration, written);
            }

            result.Add(entry with { Registration = written });
        }

        return result;
    }

    /// <param name="Entries">The entries.</param>
    /// <param name="Dependencies">What they depend on.</param>
    private sealed record Module(IReadOnlyList<WiringEntry> Entries, SourceDependencies Dependencies);
}
