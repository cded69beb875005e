using System.Linq.Expressions;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>
/// Creates functions of a type known only at run time where a natively compiled program has no code for them: there, only the interpreter
/// of expressions can create a delegate for every combination of value types. It is slower than what <see cref="ArgumentFunctions"/>
/// creates.
/// </summary>
internal static class InterpretedFunctions
{
    /// <param name="function">The type, such as <c>Func&lt;int, Ticket&gt;</c>.</param>
    /// <param name="construct">What each call does with its arguments.</param>
    public static object Create(Type function, Func<object?[], object> construct)
    {
        Type[] types = function.GenericTypeArguments;
        ParameterExpression[] parameters = [.. types[..^1].Select(Expression.Parameter)];
        Delegate untyped = parameters.Length switch
        {
            1 => (object? one) => construct([one]),
            2 => (object? one, object? two) => construct([one, two]),
            3 => (object? one, object? two, object? three) => construct([one, two, three]),
            _ => (object? one, object? two, object? three, object? four) => construct([one, two, three, four]),
        };
        Expression call = Expression.Invoke(
            Expression.Constant(untyped), parameters.Select(parameter => Expression.Convert(parameter, typeof(object))));
        return Expression.Lambda(function, Expression.Convert(call, types[^1]), parameters).Compile(preferInterpretation: true);
    }
}
