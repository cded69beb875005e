namespace Junctivor.Tests.Shared;

/// <summary>What a project has without writing it, for source that a test compiles.</summary>
internal static class ImplicitUsings
{
    public const string Text = """
        global using System;
        global using System.Collections.Generic;
        global using System.IO;
        global using System.Linq;
        global using System.Threading;
        global using System.Threading.Tasks;

        """;
}
