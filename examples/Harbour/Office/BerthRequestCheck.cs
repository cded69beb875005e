namespace Harbour.Office;

/// <summary>Says what is wrong with a request, by field.</summary>
public sealed class BerthRequestCheck(ITideTable tides)
{
    private const double LongestVessel = 120;
    private const int LongestStay = 30;

    public Dictionary<string, string[]> Errors(BerthRequest request)
    {
        Dictionary<string, string[]> errors = [];
        Require(!string.IsNullOrWhiteSpace(request.Vessel), "vessel", "Name the vessel.");
        Require(request.LengthMetres is > 0 and <= LongestVessel, "lengthMetres",
            $"Give a length of more than 0 and at most {LongestVessel} metres.");
        Require(request.DraughtMetres is > 0 and <= LongestVessel, "draughtMetres", "Give a draught of more than 0 metres.");
        Require(request.Nights is > 0 and <= LongestStay, "nights", $"Stay 1 to {LongestStay} nights.");
        Require(tides.Of(request.Arrival) is not null, "arrival",
            "Give a day (YYYY-MM-DD) that the tide table knows; GET /tides/{date} tells.");
        return errors;

        void Require(bool isRight, string field, string advice)
        {
            if (!isRight)
            {
                errors.Add(field, [advice]);
            }
        }
    }
}
