using Junctivor.Checks;

namespace Junctivor.CodeFixes;

/// <summary>Names what a fix does in a few words, for the list of an editor. The advice is in the preview.</summary>
internal static class FixTitle
{
    /// <summary>As many characters fit into the list of an editor.</summary>
    private const int Longest = 69;

    /// <summary>The title of a fix that has edits.</summary>
    public static string Of(Fix fix)
    {
        string first = Of(fix.Edits[0]);
        string title = fix.Edits.All(edit => edit.Kind == SourceEditKind.RemoveRegistration) && fix.Edits.Count > 1 ? $"{first} and others"
            : fix.Edits.Count == 2 ? $"{first} and change one more place"
            : fix.Edits.Count > 2 ? $"{first} and change {fix.Edits.Count - 1} more places"
            : first;
        return title.Length <= Longest ? title : $"{title[..(Longest - 1)]}…";
    }

    private static string Of(SourceEdit edit) => edit.Kind switch
    {
        SourceEditKind.AppendOption => $"Add {edit.Text} to {ClassOf(edit)}",
        SourceEditKind.RemoveOption => $"Remove .{edit.Text}{(edit.Parameter is { } named ? $" of {named}" : "")}",
        SourceEditKind.RenamePassed => $"Pass {edit.Text} instead of {edit.Parameter}",
        SourceEditKind.ReplaceStart or SourceEditKind.AddRegistration => Registering(edit.Text),
        SourceEditKind.ReplaceLifetime => $"Make {ClassOf(edit)} {edit.Text.ToLowerInvariant()}",
        SourceEditKind.ReplaceMethod => $"Call {edit.Text} instead",
        SourceEditKind.RemoveRegistration => $"Remove the registration of {ClassOf(edit)}",
        SourceEditKind.MoveRegistration => $"Move the registration of {ClassOf(edit)}",
        SourceEditKind.ChangeParameter => $"Take {edit.Text}",
        SourceEditKind.AddAttribute => $"Add {edit.Text} to the constructor of {ClassOf(edit)}",
        SourceEditKind.MakeConstructorPublic => $"Make the constructor of {ClassOf(edit)} public",
        SourceEditKind.AddInterface => $"Let {ClassOf(edit)} implement {edit.Text}",
        SourceEditKind.MoveWork => $"Move the work of {ClassOf(edit)} into {edit.Text}",
        SourceEditKind.TakeResolved => $"Let {ClassOf(edit)} take the services that it resolves",
        SourceEditKind.StartScope => "Start a scope for this call",
        SourceEditKind.AwaitBefore => $"Await {edit.Text} before this call",
        SourceEditKind.SupplyAs => $"Supply it as {edit.Text}",
        SourceEditKind.NestLevel => $"Declare {edit.Text} within {edit.Parameter}",
        _ => edit.Text,
    };

    /// <summary>The title of a registration: <c>Register FileLog as ILog</c> for <c>Singleton.Of&lt;ILog, FileLog&gt;()</c>.</summary>
    private static string Registering(string registration)
    {
        int start = registration.IndexOf(".Of<", StringComparison.Ordinal);
        int end = registration.LastIndexOf(">()", StringComparison.Ordinal);
        if (start < 0 || end < start)
        {
            return $"Register {registration}";
        }

        IReadOnlyList<string> named = Arguments(registration[(start + ".Of<".Length)..end]);
        string lifetime = registration[..start];
        return (lifetime, named) switch
        {
            ("Decorator", [var service, var decorator]) => $"Register {decorator} as a decorator of {service}",
            ("Alias", [var service, var target]) => $"Register an alias of {target} for {service}",
            (_, [var service, var implementation]) => $"Register {implementation} as {service}",
            (_, [var implementation]) => $"Register {implementation} ({lifetime.ToLowerInvariant()})",
            _ => $"Register {registration}",
        };
    }

    /// <summary>The type arguments of a list, of which each may have some itself.</summary>
    private static List<string> Arguments(string list)
    {
        List<string> arguments = [];
        int depth = 0;
        int start = 0;
        for (int place = 0; place < list.Length; place++)
        {
            depth += list[place] switch { '<' or '(' => 1, '>' or ')' => -1, _ => 0 };
            if (list[place] == ',' && depth == 0)
            {
                arguments.Add(list[start..place].Trim());
                start = place + 1;
            }
        }

        arguments.Add(list[start..].Trim());
        return arguments;
    }

    /// <summary>The name of the class, without namespace and arity.</summary>
    private static string ClassOf(SourceEdit edit)
    {
        string name = edit.Type ?? "it";
        string last = name[(name.LastIndexOfAny(['.', '+']) + 1)..];
        int arity = last.IndexOf('`');
        return arity < 0 ? last : last[..arity];
    }
}
