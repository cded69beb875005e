namespace Junctivor.Tests.Properties;

/// <summary>The lives of a random wiring, from long to short.</summary>
internal enum Life
{
    Singleton,
    Shift,
    Scoped,
    Transient,
}
