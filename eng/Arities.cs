// Writes the overloads that differ only in how many parameters they have.
// usage, from the root of the repository: dotnet run eng/Arities.cs
using System.Text;

const int Most = 8;

foreach (string lifetime in new[] { "Singleton", "Scoped", "Transient", "ScopeLevel" })
{
    Write($"Registering/{lifetime}", Starter(lifetime));
}

Write("Registering/Decorator", Decorators());
Write("Runtime/Resolver", Calls());

static void Write(string file, string text) => File.WriteAllText($"src/Junctivor/{file}.g.cs", text, new UTF8Encoding(false));

static string Starter(string lifetime)
{
    StringBuilder text = new();
    text.Append(Header(["System.Diagnostics.CodeAnalysis", "System.Runtime.CompilerServices", "Junctivor.Graph", "Junctivor.Registering"]));
    string shared = lifetime switch
    {
        "Singleton" => "made once for the container",
        "Scoped" => "made once for each scope",
        "ScopeLevel" => "made once for each scope of this level",
        _ => "made anew each time that it is asked for",
    };
    string kind = lifetime == "ScopeLevel" ? "" : "static ";
    string level = lifetime == "ScopeLevel" ? "Level" : $"Level.{lifetime}";
    text.Append($$"""
        public {{(lifetime == "ScopeLevel" ? "sealed" : "static")}} partial class {{lifetime}}
        {
            /// <summary>Registers a class as itself, {{shared}}.</summary>
            /// <typeparam name="TClass">The class; its constructor is wired.</typeparam>
            /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
            /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            public {{kind}}Registration<TClass> Of<[DynamicallyAccessedMembers(Kept.Members)] TClass>(
                [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                where TClass : class =>
                Entries.OfClass<TClass, TClass>({{level}}, new SourcePlace(file, line));

            /// <summary>Registers a class for a service, {{shared}}.</summary>
            /// <typeparam name="TService">The service that others ask for.</typeparam>
            /// <typeparam name="TClass">The class; its constructor is wired.</typeparam>
            /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
            /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            public {{kind}}Registration<TClass> Of<TService, [DynamicallyAccessedMembers(Kept.Members)] TClass>(
                [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                where TService : class
                where TClass : class, TService =>
                Entries.OfClass<TService, TClass>({{level}}, new SourcePlace(file, line));

            /// <summary>Registers a class as itself, known only at run time, {{shared}}.</summary>
            /// <param name="service">The class; its constructor is wired.</param>
            /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
            /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
            [RequiresDynamicCode(Reasons.RunTimeType)]
            public {{kind}}Registration<object> Of(
                [DynamicallyAccessedMembers(Kept.Members)] Type service, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0) =>
                Entries.OfClass({{level}}, service, service, new SourcePlace(file, line));

            /// <summary>Registers a class for a service, both known only at run time, {{shared}}.</summary>
            /// <param name="service">The service that others ask for; JV104 if the class does not implement it.</param>
            /// <param name="implementation">The class; its constructor is wired.</param>
            /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
            /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="implementation"/> is null.</exception>
            [RequiresDynamicCode(Reasons.RunTimeType)]
            public {{kind}}Registration<object> Of(
                Type service,
                [DynamicallyAccessedMembers(Kept.Members)] Type implementation,
                [CallerFilePath] string file = "",
                [CallerLineNumber] int line = 0) =>
                Entries.OfClass({{level}}, service, implementation, new SourcePlace(file, line));

        """);
    if (lifetime != "Transient")
    {
        string handed = lifetime switch
        {
            "Singleton" => "the container is built",
            "Scoped" => "a scope starts",
            _ => "a scope of this level starts",
        };
        text.Append($$"""

                /// <summary>Promises a value that is handed over when {{handed}}.</summary>
                /// <typeparam name="TService">The type of the value, exactly as it is handed over.</typeparam>
                /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
                /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                public {{kind}}Registration<TService> Incoming<TService>([CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : notnull =>
                    Entries.Start<TService>({{level}}, new Making.OfIncoming(typeof(TService)), new SourcePlace(file, line));

                /// <summary>Promises a value of a type known only at run time, handed over when {{handed}}.</summary>
                /// <param name="service">The type of the value, exactly as it is handed over.</param>
                /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
                /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
                public {{kind}}Registration<object> Incoming(Type service, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0) =>
                    Entries.Incoming({{level}}, service, new SourcePlace(file, line));

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
                public {{kind}}Registration<TService> From<{{types}}>(
                    Func<{{types}}> factory, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : notnull
                {
                    ArgumentNullException.ThrowIfNull(factory);
                    return Entries.OfFactory<TService>({{level}}, factory, {{count}}, {{parameter}} => factory({{casts}}), new SourcePlace(file, line));
                }

            """);
    }

    for (int count = 0; count <= Most && lifetime != "Transient"; count++)
    {
        string types = string.Concat(Numbers(count).Select(n => $"T{n}, "));
        string casts = string.Join(", ", Numbers(count).Select(n => $"(T{n})arguments[{n - 1}]!"));
        string parameter = count == 0 ? "_" : "arguments";
        string awaiting = lifetime == "Singleton" ? "Container.WarmUpAsync" : "Resolver.StartScopeAsync(ReadOnlySpan{Incoming})";
        text.Append($"\n    /// <summary>Registers what an asynchronous factory gives, {shared}, and awaited by <see cref=\"{awaiting}\"/>. Its parameters are wired.</summary>\n");
        foreach (int n in Numbers(count))
        {
            text.Append($"    /// <typeparam name=\"T{n}\">What the factory asks for as parameter {n}; a <see cref=\"CancellationToken\"/> is that of whoever awaits.</typeparam>\n");
        }

        text.Append($$"""
                /// <typeparam name="TService">The service: what the factory gives. The container ends it.</typeparam>
                /// <param name="factory">Makes one. It must not give null.</param>
                /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
                /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                /// <exception cref="ArgumentNullException"><paramref name="factory"/> is null.</exception>
                public {{kind}}Registration<TService> FromAsync<{{types}}TService>(
                    Func<{{types}}Task<TService>> factory, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : notnull
                {
                    ArgumentNullException.ThrowIfNull(factory);
                    return Entries.OfAsyncFactory<TService>({{level}}, factory, {{count}}, async {{parameter}} => await factory({{casts}}).ConfigureAwait(false), new SourcePlace(file, line));
                }

            """);
    }

    return text.Append("}\n").ToString();
}

static string Decorators()
{
    StringBuilder text = new();
    text.Append(Header(["System.Runtime.CompilerServices", "Junctivor.Graph", "Junctivor.Registering"]));
    text.Append("public static partial class Decorator\n{");
    for (int count = 0; count < Most; count++)
    {
        string types = "TService, " + string.Concat(Numbers(count).Select(n => $"T{n}, "));
        string casts = string.Concat(Numbers(count).Select(n => $", (T{n})arguments[{n}]!"));
        text.Append("\n    /// <summary>Wraps every registration of a service in what a factory returns. Its further parameters are wired.</summary>\n");
        text.Append("    /// <typeparam name=\"TService\">The service that is wrapped, and what wraps it.</typeparam>\n");
        foreach (int n in Numbers(count))
        {
            text.Append($"    /// <typeparam name=\"T{n}\">What the factory asks for as parameter {n + 1}.</typeparam>\n");
        }

        text.Append($$"""
                /// <param name="factory">Makes one around what it is given. It must not return null.</param>
                /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
                /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                /// <exception cref="ArgumentNullException"><paramref name="factory"/> is null.</exception>
                public static Registration<TService> From<{{types.TrimEnd(' ', ',')}}>(
                    Func<{{types}}TService> factory, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : class
                {
                    ArgumentNullException.ThrowIfNull(factory);
                    return Entries.Decorating<TService>(factory, {{count + 1}}, arguments => factory((TService)arguments[0]!{{casts}}), new SourcePlace(file, line));
                }

            """);
    }

    return text.Append("}\n").ToString();
}

static string Calls()
{
    StringBuilder text = new();
    text.Append(Header([]));
    text.Append("public abstract partial class Resolver\n{");
    for (int count = 1; count <= Most; count++)
    {
        string types = string.Join(", ", Numbers(count).Select(n => $"T{n}"));
        string casts = string.Join(", ", Numbers(count).Select(n => $"(T{n})arguments[{n - 1}]!"));
        string parameters = string.Concat(Numbers(count).Select(n => $"    /// <typeparam name=\"T{n}\">What the method asks for as parameter {n}.</typeparam>\n"));
        string constraints = string.Concat(Numbers(count).Select(n => $"\n        where T{n} : notnull"));
        const string Thrown = """
                /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
                /// <exception cref="ResolveException">A parameter cannot be had here.</exception>
                /// <exception cref="ConstructionException">A constructor or factory threw. What the method throws comes through as it is.</exception>
                /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>

            """;
        text.Append($$"""

                /// <summary>Calls a method with its parameters wired.</summary>
            {{parameters}}    /// <param name="work">The method.</param>
            {{Thrown}}    public void Invoke<{{types}}>(Action<{{types}}> work){{constraints}}
                {
                    ArgumentNullException.ThrowIfNull(work);
                    CallWired(work, {{count}}, arguments =>
                    {
                        work({{casts}});
                        return null;
                    });
                }

                /// <summary>Calls a method with its parameters wired, and gives what it returns.</summary>
            {{parameters}}    /// <typeparam name="TResult">What the method returns.</typeparam>
                /// <param name="work">The method.</param>
                /// <returns>What the method returned.</returns>
            {{Thrown}}    public TResult Invoke<{{types}}, TResult>(Func<{{types}}, TResult> work){{constraints}}
                {
                    ArgumentNullException.ThrowIfNull(work);
                    return (TResult)CallWired(work, {{count}}, arguments => work({{casts}}))!;
                }

            """);
    }

    return text.Append("}\n").ToString();
}

static IEnumerable<int> Numbers(int count) => Enumerable.Range(1, count);

static string Header(IEnumerable<string> namespaces) =>
    "// <auto-generated>Written by eng/Arities.cs: change it there.</auto-generated>\n#nullable enable\n"
    + string.Concat(namespaces.Select(name => $"using {name};\n")) + "\nnamespace Junctivor;\n\n";
