using CsCheck;

namespace Junctivor.Model;

/// <summary>Draws random wirings; most contradict themselves somewhere, and many do not.</summary>
public static class RandomEntries
{
    public const int Services = 5;

    private const int MostEntries = 9;

    /// <param name="isTame">Whether needs go to earlier services only, so that most wirings are sound.</param>
    public static Gen<Entry[]> Of(bool isTame) =>
        Drawn.Array[1, MostEntries].Select(drawn => drawn.Select((each, place) => ToEntry(each, place, isTame)).ToArray());

    private static Gen<int[]> Drawn => Gen.Int[0, 999].Array[12];

    private static Entry ToEntry(int[] drawn, int place, bool isTame)
    {
        Making making = (drawn[0] % 20) switch
        {
            < 3 => Making.Class,
            < 5 => Making.Ending,
            5 => Making.EndingLater,
            6 when !isTame || drawn[11] % 3 == 0 => Making.ByMark,
            7 => Making.Without,
            < 12 => Making.Plain,
            12 => Making.Factory,
            13 => Making.Value,
            14 => Making.Incoming,
            15 => Making.Alias,
            16 or 17 => Making.Decorator,
            _ => Making.PlainDecorator,
        };
        int number = isTame && drawn[1] % 5 > 0 && making is not (Making.Decorator or Making.PlainDecorator)
            ? place % Services
            : drawn[1] % Services;
        bool isDecorator = making is Making.Decorator or Making.PlainDecorator;
        bool isOften = !isTame || drawn[7] % 4 == 0;
        Need one = NeedOf(drawn[3], drawn[4], number, isTame, making);
        Need two = NeedOf(drawn[5], drawn[6], number, isTame, making);
        bool needsAny = one.Form is not (Form.Nothing or Form.Fresh) || two.Form is not (Form.Nothing or Form.Fresh);
        return new Entry
        {
            Making = making,
            Number = number,
            Life = making switch
            {
                Making.Value => Life.Singleton,
                Making.Incoming => Life.Scoped,
                Making.Alias or Making.Decorator or Making.PlainDecorator => Life.Transient,
                _ when isTame && needsAny && drawn[2] % 3 > 0 => drawn[2] % 2 == 0 ? Life.Scoped : Life.Transient,
                _ => (Life)(drawn[2] % 4),
            },
            One = one,
            Two = two,
            Mark = isOften && drawn[8] % 5 == 0 ? "a" : isOften && drawn[8] % 5 == 1 ? "b" : null,
            IsAlso = making == Making.Alias || (making is not (Making.Factory or Making.PlainDecorator) && drawn[9] % 3 == 0),
            TargetMark = making != Making.Alias || drawn[9] % 3 > 0 ? null : drawn[9] % 2 == 0 ? "a" : "b",
            Ending = isDecorator || !isOften || drawn[10] % 3 > 0 ? Ending.None : (Ending)(1 + (drawn[10] / 3 % 3)),
            OnlyFor = isOften && !isDecorator && drawn[11] % 10 == 0 ? drawn[11] / 10 % MostEntries : null,
            IsOwnedOtherwise = drawn[7] % 7 == 0 && making is not Making.Alias,
        };
    }

    private static Need NeedOf(int form, int number, int own, bool isTame, Making making) =>
        making is Making.Value or Making.Incoming or Making.Alias || (isTame && own == 0 && form % 12 is not (5 or 6 or 7))
            ? new Need(Form.Nothing, 0)
        : new Need(
            (form % 12) switch
            {
                < 4 =>
                Form.Nothing,
                < 7 =>
                    Form.Part,
                7 =>
                        Form.Also,
                8 => Form.Lazy,
                9 => Form.Func,
                10 => form % 24 == 10 ? Form.List : Form.Keyed,
                _ => Form.Fresh
            },
            isTame && own > 0 ? number % own : number % Services);
}
