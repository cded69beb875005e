namespace Junctivor.Model;

/// <summary>Something cannot be had: with the code of the fault, or <c>ended</c>.</summary>
public sealed class Refusal(string code) : Exception(code)
{
    public string Code => Message;
}
