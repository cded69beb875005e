using System.Diagnostics;

namespace Junctivor.Runtime;

/// <summary>The call of user code that failed.</summary>
/// <param name="Caller">The user's class and method, such as <c>NightlyInvoicing.RunAsync</c>.</param>
/// <param name="File">The source file, as the compiler recorded it; null if the symbols are missing.</param>
/// <param name="Line">The line in it, counted from 1.</param>
/// <param name="Type">The class of the library that was called.</param>
/// <param name="Method">The method that was called.</param>
internal sealed record RequestCall(string Caller, string? File, int Line, string Type, string Method)
{
    private static readonly string[] OwnAssemblies = ["Junctivor,", "Junctivor.Hosting,", "Junctivor.AspNetCore,", "Junctivor.Testing,"];

    /// <summary>The call on this thread; null if none is found, such as where the runtime keeps no names.</summary>
    public static RequestCall? Find()
    {
        (string Type, string Method)? called = null;
        foreach (StackFrame frame in new StackTrace(fNeedFileInfo: true).GetFrames())
        {
            if (DiagnosticMethodInfo.Create(frame) is not { DeclaringTypeName: { } type, DeclaringAssemblyName: { } assembly } method)
            {
                continue;
            }

            if (Array.Exists(OwnAssemblies, own => assembly.StartsWith(own, StringComparison.Ordinal)))
            {
                called = (Plain(type), PlainMethod(type, method.Name));
            }
            else if (called is not null && !assembly.StartsWith("System.", StringComparison.Ordinal))
            {
                return new RequestCall(
                    $"{Plain(type)}.{PlainMethod(type, method.Name)}", frame.GetFileName(), frame.GetFileLineNumber(), called.Value.Type,
                    called.Value.Method);
            }
        }

        return null;
    }

    /// <summary>The short name of a class; what the compiler has made stands within the class of the user.</summary>
    private static string Plain(string type)
    {
        int generated = type.IndexOf("+<", StringComparison.Ordinal);
        string own = generated < 0 ? type : type[..generated];
        string name = own[(own.LastIndexOfAny(['.', '+']) + 1)..];
        return name.Split('`', '[')[0];
    }

    /// <summary>The method; the compiler puts the name of an asynchronous one, or of one with a lambda, between brackets.</summary>
    private static string PlainMethod(string type, string method)
    {
        string named = method is "MoveNext" && type.Contains("+<", StringComparison.Ordinal)
            ? type[(type.IndexOf("+<", StringComparison.Ordinal) + 1)..]
            : method;
        string inner = named.TrimStart('<');
        int end = inner.IndexOf('>', StringComparison.Ordinal);
        return inner.Length < named.Length && end > 0 ? inner[..end] : named;
    }
}
