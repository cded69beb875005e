namespace Harbour.Office;

public interface IClock
{
    DateTimeOffset Now { get; }
}
