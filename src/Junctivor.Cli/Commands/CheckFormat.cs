namespace Junctivor.Cli.Commands;

/// <summary>The forms in which a check can be written.</summary>
internal enum CheckFormat
{
    Text,
    Json,
    Sarif,
}
