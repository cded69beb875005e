namespace Junctivor;

/// <summary>Records the scopes of a container.</summary>
public static class ScopeRecordings
{
    private static readonly RecordingOptions NoOptions = new();

    /// <summary>
    /// Records the scopes of a container from now on: what is created in each, when, how long that takes, for whom, what is shared, and
    /// when it is disposed. Types, numbers and times only. The file is written when the recording is disposed, and by
    /// <see cref="ScopeRecording.Save"/>; <c>junctivor draw FILE</c> opens it. While a container is recorded, it creates step by step,
    /// which is slower.
    /// </summary>
    /// <param name="container">The container. Its branches are not recorded.</param>
    /// <param name="file">The file, such as <c>night.json</c>; it is replaced.</param>
    /// <returns>The recording; dispose it to stop, and to write the file.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <exception cref="DirectoryNotFoundException">The folder of the file does not exist.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    /// <example>
    /// <code>
    /// await using Container container = wiring.Build();
    /// using ScopeRecording recording = container.RecordScopes("night.json");
    /// </code>
    /// </example>
    public static ScopeRecording RecordScopes(this Container container, string file) => container.RecordScopes(file, NoOptions);

    /// <inheritdoc cref="RecordScopes(Container, string)"/>
    /// <param name="container">The container. Its branches are not recorded.</param>
    /// <param name="file">The file, such as <c>night.json</c>; it is replaced.</param>
    /// <param name="options">What the wiring is called, and how many scopes are kept.</param>
    public static ScopeRecording RecordScopes(this Container container, string file, RecordingOptions options)
    {
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(file);
        ArgumentNullException.ThrowIfNull(options);
        FileInfo written = new(file);
        return written.Directory!.Exists
            ? new ScopeRecording(container, written, options)
            : throw new DirectoryNotFoundException($"The folder {written.DirectoryName} does not exist: create it first.");
    }
}
