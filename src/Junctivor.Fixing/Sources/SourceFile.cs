using System.Text;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Sources;

/// <summary>Reads source files in the encoding in which the compiler read them, and tells whether they can be written back.</summary>
internal static class SourceFile
{
    /// <summary>Fails at what is no UTF-8, instead of putting another character in its place.</summary>
    private static readonly UTF8Encoding Strict = new(encoderShouldEmitUTF8Identifier: false, throwOnInvalidBytes: true);

    /// <summary>The text of a file.</summary>
    /// <param name="content">Its bytes.</param>
    /// <param name="named">The encoding that the project names; null for none.</param>
    /// <param name="other">The encoding of what is no UTF-8; null for that of the compiler.</param>
    public static SourceText Read(byte[] content, string? named, string? other)
    {
        if (EncodingOf(named) is { } encoding)
        {
            return SourceText.From(content, content.Length, encoding);
        }

        try
        {
            return SourceText.From(content, content.Length, Strict);
        }
        catch (DecoderFallbackException)
        {
            return SourceText.From(content, content.Length, EncodingOf(other) ?? Encoding.Latin1);
        }
    }

    /// <summary>The bytes of a text, with the byte order mark that it was read with; null if a character is not part of its
    /// encoding.</summary>
    public static byte[]? Write(SourceText text)
    {
        Encoding encoding = Encoding.GetEncoding(
            (text.Encoding ?? Strict).CodePage, EncoderFallback.ExceptionFallback, DecoderFallback.ExceptionFallback);
        try
        {
            return [.. (text.Encoding ?? Strict).GetPreamble(), .. encoding.GetBytes(text.ToString())];
        }
        catch (EncoderFallbackException)
        {
            return null;
        }
    }

    private static Encoding? EncodingOf(string? name)
    {
        if (name is null)
        {
            return null;
        }

        try
        {
            return CodePagesEncodingProvider.Instance.GetEncoding(name) ?? Encoding.GetEncoding(name);
        }
        catch (ArgumentException)
        {
            return null;
        }
    }
}
