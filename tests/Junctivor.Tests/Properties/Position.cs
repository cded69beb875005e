namespace Junctivor.Tests.Properties;

internal readonly record struct Position(int Latitude, int Longitude);
