using System.Reflection;

namespace Junctivor.Cli.Loading;

/// <summary>Loads the assembly to check, with its own dependencies and as its own runtime settings say.</summary>
internal static class AssemblyLoading
{
    /// <exception cref="CannotCheckException">There is no such file, or it is no .NET assembly.</exception>
    public static Assembly Load(FileInfo file)
    {
        if (!file.Exists)
        {
            throw new CannotCheckException(Directory.Exists(file.FullName)
                ? $"{file} is a folder: name the assembly in it, such as {Path.Combine(file.ToString(), "Harbour.dll")}."
                : $"{file} does not exist: build the project, and name the assembly in its output folder.");
        }

        RuntimeSettings settings = RuntimeSettings.Beside(file);
        settings.Apply();
        try
        {
            Assembly assembly = new CheckedLoadContext(file.FullName, settings.FrameworkFolders()).LoadFromAssemblyPath(file.FullName);
            OwnVersion.Check(assembly);

            // Hosts ask for it, to find the program's own name, controllers and pages.
            Assembly.SetEntryAssembly(assembly);
            return assembly;
        }
        catch (InvalidOperationException)
        {
            throw new CannotCheckException($"{Path.ChangeExtension(file.Name, ".deps.json")} cannot be read: build the project again.");
        }
        catch (BadImageFormatException)
        {
            throw new CannotCheckException($"{file.Name} is not a .NET assembly: name the .dll that the project builds.");
        }
        catch (Exception failure) when (failure is FileLoadException or UnauthorizedAccessException)
        {
            throw new CannotCheckException($"{file.Name} cannot be loaded: {failure.Message}");
        }
    }
}
