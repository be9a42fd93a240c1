using System.Collections.Generic;
using System.Linq;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Draklo.Converters;

/// <summary>Writes the methods that read documents; each stands at a value's first token and leaves at its last.</summary>
/// <remarks>They know only what fits. Whatever does not is thrown back, for the document reader to say in words.</remarks>
internal sealed class ReaderText(Code code)
{
    private const int BitsOfAWord = 64;

    private readonly Dictionary<ITypeSymbol, string> names = new(SymbolEqualityComparer.Default);
    private readonly Queue<Shape> open = new();

    /// <summary>The name of the method for such values.</summary>
    public string Of(Shape shape)
    {
        switch (shape.Kind)
        {
            case ShapeKind.Number:
                return "ReadNumber";
            case ShapeKind.Whole:
                return "ReadWhole";
            case ShapeKind.Flag:
                return "ReadFlag";
            case ShapeKind.Text:
                return "ReadText";
            case ShapeKind.Value:
                return $"ReadValue<{shape.Name}>";
            default:
                break;
        }

        if (!names.TryGetValue(shape.Type, out var name))
        {
            name = $"Read{names.Count}";
            names.Add(shape.Type, name);
            open.Enqueue(shape);
        }

        return name;
    }

    /// <summary>Writes the methods that were asked for, and those that they ask for.</summary>
    public void WriteRest()
    {
        while (open.Count > 0)
        {
            var shape = open.Dequeue();
            var name = names[shape.Type];
            if (shape.Kind == ShapeKind.Record && !shape.Type.IsValueType && HasBlank(shape))
            {
                var required = shape.Members().Where(m => m.Property.IsRequired);
                var given = string.Concat(required.Select(m => $"{m.Property.Name} = default!, "));
                code.Add($"private static {shape.Name}? blank{name};");
                code.Add($"private static {shape.Name} Blank{name} => blank{name} ??= new() {{ {given}}};");
            }

            code.Add($"private static {shape.Name} {name}(ref Utf8JsonReader reader, JsonSerializerOptions options)");
            code.Open();
            switch (shape.Kind)
            {
                case ShapeKind.Choice:
                    Choice(shape);
                    break;
                case ShapeKind.List:
                    List(shape);
                    break;
                case ShapeKind.Dictionary:
                    Dictionary(shape);
                    break;
                default:
                    Record(shape);
                    break;
            }

            code.Close();
        }
    }

    private void Choice(Shape shape)
    {
        code.Add("if (reader.TokenType != JsonTokenType.String) throw Misfit();");
        foreach (var choice in shape.Type.GetMembers().OfType<IFieldSymbol>().Where(f => f.HasConstantValue))
        {
            code.Add(
                $"if (reader.ValueTextEquals(\"{Member.Named(choice.Name)}\"u8)) return {shape.Name}.{choice.Name};"
            );
        }

        code.Add("throw Misfit();");
    }

    private void List(Shape shape)
    {
        code.Add("if (reader.TokenType != JsonTokenType.StartArray) throw Misfit();");
        code.Add($"var list = new List<{shape.Element!.ToDisplayString(Shape.Format)}>();");
        code.Add($"while (Next(ref reader) != JsonTokenType.EndArray) list.Add({Given(shape.Element!)});");
        code.Add(shape.Type is INamedTypeSymbol { Name: not "ImmutableArray" } ? "return list;" : "return [.. list];");
    }

    private void Dictionary(Shape shape)
    {
        code.Add("if (reader.TokenType != JsonTokenType.StartObject) throw Misfit();");
        code.Add($"var map = new Dictionary<string, {shape.Element!.ToDisplayString(Shape.Format)}>();");
        code.Add("while (Next(ref reader) == JsonTokenType.PropertyName)");
        code.Open();
        code.Add("var name = reader.GetString()!;");
        code.Add("Next(ref reader);");
        code.Add($"if (!map.TryAdd(name, {Given(shape.Element!)})) throw Misfit();");
        code.Close();
        code.Add("return map;");
    }

    /// <summary>What reads a value in a place that is declared so.</summary>
    private string Given(ITypeSymbol declared)
    {
        var shape = Shape.Of(declared);
        var read = $"{Of(shape)}(ref reader, options)";
        var asNull = declared.IsValueType ? $"({shape.Name}?)null" : "null";
        return Shape.CanBeNull(declared) ? $"reader.TokenType == JsonTokenType.Null ? {asNull} : {read}" : read;
    }

    private static bool HasBlank(Shape shape) =>
        ((INamedTypeSymbol)shape.Type).InstanceConstructors.Any(c =>
            c.Parameters.Length == 0 && c.DeclaredAccessibility == Accessibility.Public
        );

    private void Record(Shape shape)
    {
        var members = shape.Members();
        var maker = HasBlank(shape)
            ? null
            : ((INamedTypeSymbol)shape.Type).InstanceConstructors.Single(c =>
                c.DeclaredAccessibility == Accessibility.Public
            );
        code.Add("if (reader.TokenType != JsonTokenType.StartObject) throw Misfit();");
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
            code.Add($"var blank = Blank{names[shape.Type]};");
        }

        foreach (var (member, local, parameter) in taken)
        {
            var from =
                parameter is not null ? Default(parameter)
                : maker is null && !shape.Type.IsValueType ? $"blank.{member.Property.Name}"
                : "default!";
            code.Add($"{member.DeclaredAs} {local} = {from};");
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
        code.Add($"return new {shape.Name}({given}) {{ {set}}};");
    }

    private void Loop(List<(Member Member, string Local)> taken)
    {
        for (var word = 0; word * BitsOfAWord < taken.Count; word++)
        {
            code.Add($"var seen{word} = 0UL;");
        }

        code.Add("while (Next(ref reader) == JsonTokenType.PropertyName)");
        code.Open();
        code.Add("switch (reader.ValueSpan.Length)");
        code.Open();
        var numbered = taken.Select(
            (t, i) => (t.Member, t.Local, Seen: $"seen{i / BitsOfAWord}", Bit: i % BitsOfAWord)
        );
        foreach (var sameLength in numbered.GroupBy(n => n.Member.Name.Length))
        {
            code.Add($"case {sameLength.Key}:");
            foreach (var (member, local, seen, bit) in sameLength)
            {
                code.Add($"if (reader.ValueTextEquals(\"{member.Name}\"u8))");
                code.Open();
                code.Add($"Once(ref {seen}, {bit});");
                code.Add("Next(ref reader);");
                code.Add($"{local} = {Given(member.Property.Type)};");
                code.Add("continue;");
                code.Close();
            }

            code.Add("break;");
        }

        code.Close();
        code.Add("Unknown(ref reader, options);");
        code.Close();
        foreach (var (_, _, seen, bit) in numbered.Where(n => n.Member.Property.IsRequired))
        {
            code.Add($"if (({seen} & 1UL << {bit}) == 0) throw Misfit();");
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
