using System.Collections.Generic;
using System.Linq;
using Microsoft.CodeAnalysis;

namespace Draklo.Converters;

/// <summary>Writes the methods that write documents; each takes the writer, a value that is not null, and the options.</summary>
internal sealed class WriterText(Code code)
{
    private readonly Dictionary<ITypeSymbol, string> names = new(SymbolEqualityComparer.Default);
    private readonly Queue<Shape> open = new();

    /// <summary>The name of the method for such values.</summary>
    public string Of(Shape shape)
    {
        switch (shape.Kind)
        {
            case ShapeKind.Number:
                return "WriteNumber";
            case ShapeKind.Whole:
                return "WriteWhole";
            case ShapeKind.Flag:
                return "WriteFlag";
            case ShapeKind.Text:
                return "WriteText";
            case ShapeKind.Value:
                return "WriteValue";
            default:
                break;
        }

        if (!names.TryGetValue(shape.Type, out var name))
        {
            name = $"Write{names.Count}";
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
            code.Add(
                $"private static void {names[shape.Type]}(Utf8JsonWriter writer, {shape.Name} value, JsonSerializerOptions options)"
            );
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
        code.Add("writer.WriteStringValue(value switch");
        code.Open();
        foreach (var choice in shape.Type.GetMembers().OfType<IFieldSymbol>().Where(f => f.HasConstantValue))
        {
            code.Add($"{shape.Name}.{choice.Name} => \"{Member.Named(choice.Name)}\"u8,");
        }

        code.Add("_ => throw new JsonException(),");
        code.Add("});");
    }

    private void List(Shape shape)
    {
        code.Add("writer.WriteStartArray();");
        code.Add("foreach (var item in value)");
        code.Open();
        Item(shape, "item");
        code.Close();
        code.Add("writer.WriteEndArray();");
    }

    private void Dictionary(Shape shape)
    {
        code.Add("writer.WriteStartObject();");
        code.Add("foreach (var (name, item) in value)");
        code.Open();
        code.Add("writer.WritePropertyName(name);");
        Item(shape, "item");
        code.Close();
        code.Add("writer.WriteEndObject();");
    }

    /// <summary>A null in a list is written, unlike a member that is null.</summary>
    private void Item(Shape of, string item)
    {
        var element = of.Element!;
        var shape = Shape.Of(element);
        if (element.IsValueType && !Shape.CanBeNull(element))
        {
            code.Add($"{Of(shape)}(writer, {item}, options);");
            return;
        }

        code.Add($"if ({item} is {{ }} given) {Of(shape)}(writer, given, options);");
        code.Add("else writer.WriteNullValue();");
    }

    private void Record(Shape shape)
    {
        code.Add("writer.WriteStartObject();");
        var number = 0;
        foreach (var member in shape.Members())
        {
            var from = $"value.{member.Property.Name}";
            if (member.Property.Type.IsValueType && !member.CanBeNull)
            {
                code.Add($"writer.WritePropertyName(\"{member.Name}\"u8);");
                code.Add($"{Of(member.Shape)}(writer, {from}, options);");
                continue;
            }

            number++;
            code.Add($"if ({from} is {{ }} m{number})");
            code.Open();
            code.Add($"writer.WritePropertyName(\"{member.Name}\"u8);");
            code.Add($"{Of(member.Shape)}(writer, m{number}, options);");
            code.Close();
        }

        code.Add("writer.WriteEndObject();");
    }
}
