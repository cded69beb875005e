namespace Junctivor.Cli.Loading;

/// <summary>The call or the assembly is at fault; the message is one line that says what to do.</summary>
internal sealed class CannotCheckException(string message) : Exception(message);
