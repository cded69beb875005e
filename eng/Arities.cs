// Writes the overloads that differ only in how many parameters they have.
// usage, from the root of the repository: dotnet run eng/Arities.cs
using System.Text;

const int Most = 8;

foreach (string lifetime in new[] { "Singleton", "Scoped", "Transient" })
{
    File.WriteAllText($"src/Junctivor/Registering/{lifetime}.g.cs", Starter(lifetime), new UTF8Encoding(false));
}

static string Starter(string lifetime)
{
    StringBuilder text = new();
    text.Append(Header(["System.Diagnostics.CodeAnalysis", "System.Runtime.CompilerServices", "Junctivor.Graph", "Junctivor.Registering"]));
    string shared = lifetime switch
    {
        "Singleton" => "made once for the container",
        "Scoped" => "made once for each scope",
        _ => "made anew each time that it is asked for",
    };
    text.Append($$"""
        public static partial class {{lifetime}}
        {
            /// <summary>Registers a class as itself, {{shared}}.</summary>
            /// <typeparam name="TClass">The class; its constructor is wired.</typeparam>
            /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
            /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            public static Registration<TClass> Of<[DynamicallyAccessedMembers(Kept.Members)] TClass>(
                [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                where TClass : class =>
                Entries.OfClass<TClass, TClass>(Level.{{lifetime}}, new SourcePlace(file, line));

            /// <summary>Registers a class for a service, {{shared}}.</summary>
            /// <typeparam name="TService">The service that others ask for.</typeparam>
            /// <typeparam name="TClass">The class; its constructor is wired.</typeparam>
            /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
            /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            public static Registration<TClass> Of<TService, [DynamicallyAccessedMembers(Kept.Members)] TClass>(
                [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                where TService : class
                where TClass : class, TService =>
                Entries.OfClass<TService, TClass>(Level.{{lifetime}}, new SourcePlace(file, line));

            /// <summary>Registers a class as itself, known only at run time, {{shared}}.</summary>
            /// <param name="service">The class; its constructor is wired.</param>
            /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
            /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
            [RequiresDynamicCode(Reasons.RunTimeType)]
            public static Registration<object> Of(
                [DynamicallyAccessedMembers(Kept.Members)] Type service, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0) =>
                Entries.OfClass(Level.{{lifetime}}, service, service, new SourcePlace(file, line));

            /// <summary>Registers a class for a service, both known only at run time, {{shared}}.</summary>
            /// <param name="service">The service that others ask for; JV104 if the class does not implement it.</param>
            /// <param name="implementation">The class; its constructor is wired.</param>
            /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
            /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="implementation"/> is null.</exception>
            [RequiresDynamicCode(Reasons.RunTimeType)]
            public static Registration<object> Of(
                Type service,
                [DynamicallyAccessedMembers(Kept.Members)] Type implementation,
                [CallerFilePath] string file = "",
                [CallerLineNumber] int line = 0) =>
                Entries.OfClass(Level.{{lifetime}}, service, implementation, new SourcePlace(file, line));

        """);
    if (lifetime != "Transient")
    {
        string handed = lifetime == "Singleton" ? "the container is built" : "a scope starts";
        text.Append($$"""

                /// <summary>Promises a value that is handed over when {{handed}}.</summary>
                /// <typeparam name="TService">The type of the value, exactly as it is handed over.</typeparam>
                /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
                /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                public static Registration<TService> Incoming<TService>([CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : notnull =>
                    Entries.Start<TService>(Level.{{lifetime}}, new Making.OfIncoming(typeof(TService)), new SourcePlace(file, line));

                /// <summary>Promises a value of a type known only at run time, handed over when {{handed}}.</summary>
                /// <param name="service">The type of the value, exactly as it is handed over.</param>
                /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
                /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
                public static Registration<object> Incoming(Type service, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0) =>
                    Entries.Incoming(Level.{{lifetime}}, service, new SourcePlace(file, line));

            """);
    }

    for (int count = 0; count <= Most; count++)
    {
        string types = string.Concat(Numbers(count).Select(n => $"T{n}, ")) + "TService";
        string casts = string.Join(", ", Numbers(count).Select(n => $"(T{n})arguments[{n - 1}]!"));
        string parameter = count == 0 ? "_" : "arguments";
        text.Append($"\n    /// <summary>Registers what a factory returns, {shared}. Its parameters are wired, and checked as a constructor's are.</summary>\n");
        foreach (int n in Numbers(count))
        {
            text.Append($"    /// <typeparam name=\"T{n}\">What the factory asks for as parameter {n}.</typeparam>\n");
        }

        text.Append($$"""
                /// <typeparam name="TService">The service: what the factory returns. The container ends it.</typeparam>
                /// <param name="factory">Makes one. It must not return null.</param>
                /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
                /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                /// <exception cref="ArgumentNullException"><paramref name="factory"/> is null.</exception>
                public static Registration<TService> From<{{types}}>(
                    Func<{{types}}> factory, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : notnull
                {
                    ArgumentNullException.ThrowIfNull(factory);
                    return Entries.OfFactory<TService>(Level.{{lifetime}}, factory, {{count}}, {{parameter}} => factory({{casts}}), new SourcePlace(file, line));
                }

            """);
    }

    return text.Append("}\n").ToString();
}

static IEnumerable<int> Numbers(int count) => Enumerable.Range(1, count);

static string Header(IEnumerable<string> namespaces) =>
    "// <auto-generated>Written by eng/Arities.cs: change it there.</auto-generated>\n#nullable enable\n"
    + string.Concat(namespaces.Select(name => $"using {name};\n")) + "\nnamespace Junctivor;\n\n";
