using Harbour.Office;

namespace Harbour.Web;

/// <summary>Tells in a header which instances served a request, so that a reader can see the lifetimes at work.</summary>
public static class ServedBy
{
    public const string Header = "Served-By";

    public static void Tell(HttpContext context, Visit visit, params ReadOnlySpan<(string Role, string Badge)> crew)
    {
        context.Response.Headers.Append(Header, $"scope={visit.Number}");
        foreach ((string role, string badge) in crew)
        {
            context.Response.Headers.Append(Header, $"{role}={badge}");
        }
    }

    public static void Tell(HttpContext context, BookingDesk desk, params ReadOnlySpan<(string Role, string Badge)> further) => Tell(
        context,
        desk.Visit,
        [
            ("desk", desk.Badge),
            ("desk-ledger", desk.Ledger.Badge),
            ("planner", desk.Planner.Badge),
            ("planner-ledger", desk.Planner.Ledger.Badge),
            ("tides", desk.Planner.Tides.Badge),
            .. further,
        ]);
}
