namespace Harbour.Office;

public enum DepartureAnswer
{
    Gone,
    AlreadyGone,
    UnknownRequest,
}
