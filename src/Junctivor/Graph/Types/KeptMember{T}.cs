namespace Junctivor.Graph;

/// <summary>A field of an object, or what keeps the value of a property or an event.</summary>
/// <typeparam name="T">A type, as the reader has it: reflected, or a symbol.</typeparam>
/// <param name="Name">The name of the field, property or event.</param>
/// <param name="Type">Its type.</param>
/// <param name="IsReadOnly">Whether only a constructor sets it.</param>
/// <param name="IsOfProperty">Whether it keeps the value of a property.</param>
/// <param name="IsCaptured">Whether it is a parameter of a primary constructor that the class goes on using.</param>
internal readonly record struct KeptMember<T>(string Name, T Type, bool IsReadOnly, bool IsOfProperty, bool IsCaptured)
    where T : class;
