using System.Text.Json;

namespace Harbour.Office;

/// <summary>Reads the office's data files.</summary>
public static class DataFile
{
    public static T Read<T>(HarbourSettings settings, string name)
    {
        using FileStream file = File.OpenRead(Path.Combine(settings.DataFolder, name));
        return JsonSerializer.Deserialize<T>(file, JsonSerializerOptions.Web)
            ?? throw new InvalidDataException($"{name} is empty.");
    }
}
