namespace Junctivor.Runtime;

/// <summary>The objects that code holds: the first ones in fields, as a field is read faster than a place in an array.</summary>
internal sealed class CodeConstants
{
    public const int Fields = 8;

#pragma warning disable IDE0051, CS0649, S1144 // The code reads them.
    public object? Field0;
    public object? Field1;
    public object? Field2;
    public object? Field3;
    public object? Field4;
    public object? Field5;
    public object? Field6;
    public object? Field7;
#pragma warning restore IDE0051, CS0649, S1144

    public object[] Others = [];

    public CodeConstants(IReadOnlyList<object> objects)
    {
        Field0 = objects.ElementAtOrDefault(0);
        Field1 = objects.ElementAtOrDefault(1);
        Field2 = objects.ElementAtOrDefault(2);
        Field3 = objects.ElementAtOrDefault(3);
        Field4 = objects.ElementAtOrDefault(4);
        Field5 = objects.ElementAtOrDefault(5);
        Field6 = objects.ElementAtOrDefault(6);
        Field7 = objects.ElementAtOrDefault(7);
        Others = [.. objects.Skip(Fields)];
    }
}
