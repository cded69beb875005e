namespace Harbour.Office;

/// <summary>How many disposable scoped services a request created, and how many of them had ended when its scope did.</summary>
public sealed record VisitEnd(int Made, int Ended);
