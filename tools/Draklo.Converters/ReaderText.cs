using System.Collections.Generic;
using System.Linq;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Draklo.Converters;

/// <summary>Writes the methods that read documents; each stands at a value's first token and leaves at its last.</summary>
/// <remarks>They know only what fits. Whatever does not is thrown back, for the document reader to say in words.</remarks>
internal sealed class ReaderText(Code code) : MethodsText(code, "Read")
{
    private const int BitsOfAWord = 64;

    protected override void Begin(Shape shape, string name)
    {
        if (shape.Kind == ShapeKind.Record && !shape.Type.IsValueType && HasBlank(shape))
        {
            var required = shape.Members().Where(m => m.Property.IsRequired);
            var given = string.Concat(required.Select(m => $"{m.Property.Name} = default!, "));
            Code.Add($"private static {shape.Name}? blank{name};");
            Code.Add($"private static {shape.Name} Blank{name} => blank{name} ??= new() {{ {given}}};");
        }

        Code.Add($"private static {shape.Name} {name}(ref Utf8JsonReader reader, bool isStrict)");
    }

    protected override void Choice(Shape shape)
    {
        Code.Add("if (reader.TokenType != JsonTokenType.String) throw Misfit();");
        foreach (var choice in ChoicesOf(shape))
        {
            Code.Add(
                $"if (reader.ValueTextEquals(\"{Member.Named(choice.Name)}\"u8)) return {shape.Name}.{choice.Name};"
            );
        }

        Code.Add("throw Misfit();");
    }

    protected override void List(Shape shape)
    {
        Code.Add("if (reader.TokenType != JsonTokenType.StartArray) throw Misfit();");
        Code.Add($"var list = new List<{shape.Element!.ToDisplayString(Shape.Format)}>();");
        Code.Add($"while (Next(ref reader) != JsonTokenType.EndArray) list.Add({Given(shape.Element!)});");
        Code.Add(shape.Type is INamedTypeSymbol { Name: not "ImmutableArray" } ? "return list;" : "return [.. list];");
    }

    protected override void Dictionary(Shape shape)
    {
        Code.Add("if (reader.TokenType != JsonTokenType.StartObject) throw Misfit();");
        Code.Add($"var map = new Dictionary<string, {shape.Element!.ToDisplayString(Shape.Format)}>();");
        Code.Add("while (Next(ref reader) == JsonTokenType.PropertyName)");
        Code.Open();
        Code.Add("var name = reader.GetString()!;");
        Code.Add("Next(ref reader);");
        Code.Add($"if (!map.TryAdd(name, {Given(shape.Element!)})) throw Misfit();");
        Code.Close();
        Code.Add("return map;");
    }

    /// <summary>What reads a value in a place that is declared so.</summary>
    private string Given(ITypeSymbol declared)
    {
        var shape = Shape.Of(declared);
        var read = $"{Of(shape)}(ref reader, isStrict)";
        var asNull = declared.IsValueType ? $"({shape.Name}?)null" : "null";
        return Shape.CanBeNull(declared) ? $"reader.TokenType == JsonTokenType.Null ? {asNull} : {read}" : read;
    }

    private static bool HasBlank(Shape shape) =>
        ((INamedTypeSymbol)shape.Type).InstanceConstructors.Any(c =>
            c.Parameters.Length == 0 && c.DeclaredAccessibility == Accessibility.Public
        );

    protected override void Record(Shape shape, string name)
    {
        var members = shape.Members();
        var maker = HasBlank(shape)
            ? null
            : ((INamedTypeSymbol)shape.Type).InstanceConstructors.Single(c =>
                c.DeclaredAccessibility == Accessibility.Public
            );
        Code.Add("if (reader.TokenType != JsonTokenType.StartObject) throw Misfit();");
        var taken = new List<(Member Member, string Local, IParameterSymbol? Parameter)>();
        foreach (var member in members)
        {
            var parameter = maker?.Parameters.FirstOrDefault(p => p.Name == member.Property.Name);
            if (parameter is not null || member.CanBeSet)
            {
                taken.Add((member, $"m{taken.Count}", parameter));
            }
        }

        if (maker is null && !shape.Type.IsValueType)
        {
            Code.Add($"var blank = Blank{name};");
        }

        foreach (var (member, local, parameter) in taken)
        {
            var from =
                parameter is not null ? Default(parameter)
                : maker is null && !shape.Type.IsValueType ? $"blank.{member.Property.Name}"
                : "default!";
            Code.Add($"{member.DeclaredAs} {local} = {from};");
        }

        // What is only worked out from the others is read, since it must fit, and let go.
        var others = members.Where(m => taken.TrueForAll(t => t.Member != m)).Select(m => (m, "_"));
        Loop([.. taken.Select(t => (t.Member, t.Local)), .. others]);
        var given = string.Join(
            ", ",
            taken.Where(t => t.Parameter is not null).Select(t => $"{t.Parameter!.Name}: {t.Local}")
        );
        var set = string.Concat(
            taken.Where(t => t.Parameter is null).Select(t => $"{t.Member.Property.Name} = {t.Local}, ")
        );
        Code.Add($"return new {shape.Name}({given}) {{ {set}}};");
    }

    private void Loop(List<(Member Member, string Local)> taken)
    {
        for (var word = 0; word * BitsOfAWord < taken.Count; word++)
        {
            Code.Add($"var seen{word} = 0UL;");
        }

        Code.Add("while (Next(ref reader) == JsonTokenType.PropertyName)");
        Code.Open();
        Code.Add("switch (reader.ValueSpan.Length)");
        Code.Open();
        var numbered = taken.Select(
            (t, i) => (t.Member, t.Local, Seen: $"seen{i / BitsOfAWord}", Bit: i % BitsOfAWord)
        );
        foreach (var sameLength in numbered.GroupBy(n => n.Member.Name.Length))
        {
            Code.Add($"case {sameLength.Key}:");
            foreach (var (member, local, seen, bit) in sameLength)
            {
                Code.Add($"if (reader.ValueTextEquals(\"{member.Name}\"u8))");
                Code.Open();
                Code.Add($"Once(ref {seen}, {bit});");
                Code.Add("Next(ref reader);");
                Code.Add($"{local} = {Given(member.Property.Type)};");
                Code.Add("continue;");
                Code.Close();
            }

            Code.Add("break;");
        }

        Code.Close();
        Code.Add("Unknown(ref reader, isStrict);");
        Code.Close();
        foreach (var (_, _, seen, bit) in numbered.Where(n => n.Member.Property.IsRequired && !n.Member.CanBeNull))
        {
            Code.Add($"if (({seen} & 1UL << {bit}) == 0) throw Misfit();");
        }
    }

    private static string Default(IParameterSymbol parameter)
    {
        if (!parameter.HasExplicitDefaultValue || parameter.ExplicitDefaultValue is not { } value)
        {
            return "default!";
        }

        var literal = SymbolDisplay.FormatPrimitive(value, quoteStrings: true, useHexadecimalNumbers: false);
        return $"({parameter.Type.ToDisplayString(Shape.Format)})({literal})";
    }
}
