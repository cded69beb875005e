namespace Junctivor.Tests.Properties;

internal enum Weather
{
    Calm,
    Storm,
}
