// Writes the overloads that differ only in how many parameters they have.
// usage, from the root of the repository: dotnet run eng/Arities.cs [-- FOLDER]
// FOLDER is where to write, instead of src/Junctivor.
using System.Text;

const int Most = 8;
string folder = args.Length > 0 ? args[0] : Path.Combine("src", "Junctivor");

foreach (string lifetime in new[] { "Singleton", "Scoped", "Transient", "ScopeLevel" })
{
    Write($"Registering/{lifetime}", Starter(lifetime));
}

Write("Registering/Decorator", Decorators());
Write("Runtime/Resolver", Calls());

void Write(string file, string text)
{
    string path = Path.Combine(folder, $"{file}.g.cs");
    Directory.CreateDirectory(Path.GetDirectoryName(path)!);
    File.WriteAllText(path, text, new UTF8Encoding(false));
}

static string Starter(string lifetime)
{
    StringBuilder text = new();
    text.Append(Header(["System.Diagnostics.CodeAnalysis", "System.Runtime.CompilerServices", "Junctivor.Graph", "Junctivor.Registering"]));
    string shared = lifetime switch
    {
        "Singleton" => "one instance for the container",
        "Scoped" => "one instance for each scope",
        "ScopeLevel" => "one instance for each scope of this level",
        _ => "a new instance each time it is resolved",
    };
    string kind = lifetime == "ScopeLevel" ? "" : "static ";
    string level = lifetime == "ScopeLevel" ? "Level" : $"Level.{lifetime}";
    text.Append($$"""
        public {{(lifetime == "ScopeLevel" ? "sealed" : "static")}} partial class {{lifetime}}
        {
            /// <summary>Registers a class as itself, {{shared}}.</summary>
            /// <typeparam name="TClass">The class; its constructor parameters are resolved.</typeparam>
            /// <param name="file">Filled in by the compiler: the source file of the call.</param>
            /// <param name="line">Filled in by the compiler: the line of the call.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            public {{kind}}Registration<TClass> Of<[DynamicallyAccessedMembers(Kept.Members)] TClass>(
                [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                where TClass : class =>
                new(RegistrationStart.OfClass(
                    {{level}}, typeof(TClass), typeof(TClass), TypeToken.AreNeeded ? TypeToken<TClass>.Instance : null, new SourcePlace(file, line)));

            /// <summary>Registers a class for a service, {{shared}}.</summary>
            /// <typeparam name="TService">The service.</typeparam>
            /// <typeparam name="TClass">The class; its constructor parameters are resolved.</typeparam>
            /// <param name="file">Filled in by the compiler: the source file of the call.</param>
            /// <param name="line">Filled in by the compiler: the line of the call.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            public {{kind}}Registration<TClass> Of<TService, [DynamicallyAccessedMembers(Kept.Members)] TClass>(
                [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                where TService : class
                where TClass : class, TService =>
                new(RegistrationStart.OfClass(
                    {{level}}, typeof(TService), typeof(TClass), TypeToken.AreNeeded ? TypeToken<TService>.Instance : null, new SourcePlace(file, line)));

            /// <summary>Registers a class as itself, known only at run time, {{shared}}.</summary>
            /// <param name="service">The class; its constructor parameters are resolved.</param>
            /// <param name="file">Filled in by the compiler: the source file of the call.</param>
            /// <param name="line">Filled in by the compiler: the line of the call.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
            public {{kind}}Registration<object> Of(
                [DynamicallyAccessedMembers(Kept.Members)] Type service, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0) =>
                RegistrationStart.OfClass({{level}}, service, service, new SourcePlace(file, line));

            /// <summary>Registers a class for a service, both known only at run time, {{shared}}.</summary>
            /// <param name="service">The service; JV104 if the class does not implement it.</param>
            /// <param name="implementation">The class; its constructor parameters are resolved.</param>
            /// <param name="file">Filled in by the compiler: the source file of the call.</param>
            /// <param name="line">Filled in by the compiler: the line of the call.</param>
            /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
            /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="implementation"/> is null.</exception>
            public {{kind}}Registration<object> Of(
                Type service,
                [DynamicallyAccessedMembers(Kept.Members)] Type implementation,
                [CallerFilePath] string file = "",
                [CallerLineNumber] int line = 0) =>
                RegistrationStart.OfClass({{level}}, service, implementation, new SourcePlace(file, line));

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

                /// <summary>Declares a value that is supplied when {{handed}}.</summary>
                /// <typeparam name="TService">The type of the value, exactly as it is supplied.</typeparam>
                /// <param name="file">Filled in by the compiler: the source file of the call.</param>
                /// <param name="line">Filled in by the compiler: the line of the call.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                public {{kind}}IncomingRegistration Incoming<TService>([CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : notnull =>
                    RegistrationStart.Incoming<TService>({{level}}, new SourcePlace(file, line));

                /// <summary>Declares a value of a type known only at run time, supplied when {{handed}}.</summary>
                /// <param name="service">The type of the value, exactly as it is supplied.</param>
                /// <param name="file">Filled in by the compiler: the source file of the call.</param>
                /// <param name="line">Filled in by the compiler: the line of the call.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
                public {{kind}}IncomingRegistration Incoming(Type service, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0) =>
                    RegistrationStart.Incoming({{level}}, service, new SourcePlace(file, line));

            """);
    }

    for (int count = 0; count <= Most; count++)
    {
        string types = string.Concat(Numbers(count).Select(n => $"T{n}, ")) + "TService";
        string casts = string.Join(", ", Numbers(count).Select(n => $"(T{n})arguments[{n - 1}]!"));
        string parameter = count == 0 ? "_" : "arguments";
        text.Append(
            $"\n    /// <summary>Registers what a factory returns, {shared}. Its parameters are resolved, and checked like those of a "
                + "constructor.</summary>\n");
        foreach (int n in Numbers(count))
        {
            text.Append($"    /// <typeparam name=\"T{n}\">The type of the factory's parameter {n}.</typeparam>\n");
        }

        text.Append($$"""
                /// <typeparam name="TService">The service: what the factory returns. The container disposes it.</typeparam>
                /// <param name="factory">Creates an instance. It must not return null.</param>
                /// <param name="file">Filled in by the compiler: the source file of the call.</param>
                /// <param name="line">Filled in by the compiler: the line of the call.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                /// <exception cref="ArgumentNullException"><paramref name="factory"/> is null.</exception>
                public {{kind}}Registration<TService> From<{{types}}>(
                    Func<{{types}}> factory, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : notnull
                {
                    ArgumentNullException.ThrowIfNull(factory);
                    return RegistrationStart.OfFactory<TService>({{level}}, factory, {{count}}, {{parameter}} => factory({{casts}}), new SourcePlace(file, line));
                }

            """);
    }

    for (int count = 0; count <= Most && lifetime != "Transient"; count++)
    {
        string types = string.Concat(Numbers(count).Select(n => $"T{n}, "));
        string casts = string.Join(", ", Numbers(count).Select(n => $"(T{n})arguments[{n - 1}]!"));
        string parameter = count == 0 ? "_" : "arguments";
        string awaiting = lifetime == "Singleton" ? "Container.WarmUpAsync" : "Resolver.StartScopeAsync(ReadOnlySpan{Incoming}, CancellationToken)";
        text.Append(
            $"\n    /// <summary>Registers the result of an asynchronous factory, {shared}, awaited by <see cref=\"{awaiting}\"/>. Its "
                + "parameters are resolved.</summary>\n");
        foreach (int n in Numbers(count))
        {
            text.Append(
                $"    /// <typeparam name=\"T{n}\">The type of the factory's parameter {n}; a <see cref=\"CancellationToken\"/> is that "
                    + "of the awaiting call.</typeparam>\n");
        }

        text.Append($$"""
                /// <typeparam name="TService">The service: the result of the factory. The container disposes it.</typeparam>
                /// <param name="factory">Creates an instance. It must not return null.</param>
                /// <param name="file">Filled in by the compiler: the source file of the call.</param>
                /// <param name="line">Filled in by the compiler: the line of the call.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                /// <exception cref="ArgumentNullException"><paramref name="factory"/> is null.</exception>
                public {{kind}}Registration<TService> FromAsync<{{types}}TService>(
                    Func<{{types}}Task<TService>> factory, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : notnull
                {
                    ArgumentNullException.ThrowIfNull(factory);
                    return RegistrationStart.OfAsyncFactory<TService>({{level}}, factory, {{count}}, async {{parameter}} => await factory({{casts}}).ConfigureAwait(false), new SourcePlace(file, line));
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
        text.Append(
            "\n    /// <summary>Decorates every registration of a service with what a factory returns. Its further parameters are "
                + "resolved.</summary>\n");
        text.Append("    /// <typeparam name=\"TService\">The service.</typeparam>\n");
        foreach (int n in Numbers(count))
        {
            text.Append($"    /// <typeparam name=\"T{n}\">The type of the factory's parameter {n + 1}.</typeparam>\n");
        }

        text.Append($$"""
                /// <param name="factory">Creates a decorator around its first argument. It must not return null.</param>
                /// <param name="file">Filled in by the compiler: the source file of the call.</param>
                /// <param name="line">Filled in by the compiler: the line of the call.</param>
                /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
                /// <exception cref="ArgumentNullException"><paramref name="factory"/> is null.</exception>
                public static DecoratorRegistration From<{{types.TrimEnd(' ', ',')}}>(
                    Func<{{types}}TService> factory, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
                    where TService : class
                {
                    ArgumentNullException.ThrowIfNull(factory);
                    return RegistrationStart.Decorating<TService>(factory, {{count + 1}}, arguments => factory((TService)arguments[0]!{{casts}}), new SourcePlace(file, line));
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
        string parameters =
            string.Concat(
                Numbers(count).Select(n => $"    /// <typeparam name=\"T{n}\">The type of the method's parameter {n}.</typeparam>\n"));
        string constraints = string.Concat(Numbers(count).Select(n => $"\n        where T{n} : notnull"));
        const string Thrown = """
                /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
                /// <exception cref="ResolveException">A parameter cannot be resolved here.</exception>
                /// <exception cref="ConstructionException">A constructor or factory threw. An exception of the method is thrown
                /// unchanged.</exception>
                /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>

            """;
        text.Append($$"""

                /// <summary>Calls a method with its parameters resolved.</summary>
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

                /// <summary>Calls a method with its parameters resolved, and returns its result.</summary>
            {{parameters}}    /// <typeparam name="TResult">What the method returns.</typeparam>
                /// <param name="work">The method.</param>
                /// <returns>The result of the method.</returns>
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
