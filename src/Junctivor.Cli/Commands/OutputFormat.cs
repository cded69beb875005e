namespace Junctivor.Cli.Commands;

/// <summary>For people, or for other programs.</summary>
internal enum OutputFormat
{
    Text,
    Json,
}
