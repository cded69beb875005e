using Junctivor.Checks;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Changes the parameter of a factory that is written as a lambda in its registration.</summary>
internal static class FactoryEditor
{
    /// <exception cref="CannotEditException">The edit cannot be made.</exception>
    public static IEnumerable<SourceChange> ChangesOf(CSharpCompilation compilation, SourceEdit edit)
    {
        RegistrationSyntax registration = RegistrationSyntax.At(compilation, edit.File, edit.Line, edit.Type);
        ParameterText text = new(edit.Text);
        ParameterSyntax parameter = registration.Start.ArgumentList.Arguments
            .Select(argument => argument.Expression)
            .OfType<ParenthesizedLambdaExpressionSyntax>()
            .SelectMany(lambda => lambda.ParameterList.Parameters)
            .FirstOrDefault(each => each.Identifier.ValueText == edit.Parameter && each.Type is not null)
            ?? throw new CannotEditException($"{edit.Parameter} is no parameter of a lambda in the registration");
        return text.Wrapper == ParameterText.WrapperOf(parameter.Type!)
            ? text.InPlaceOf(parameter)
            : throw new CannotEditException($"the factory itself uses {edit.Parameter}: what it creates must take it");
    }
}
