using System.Collections.Generic;
using System.Linq;
using Microsoft.CodeAnalysis;

namespace Draklo.Converters;

/// <summary>Writes the methods that write documents; each takes the writer, a value that is not null, and whether numbers are short.</summary>
internal sealed class WriterText(Code code) : MethodsText(code, "Write")
{
    protected override void Begin(Shape shape, string name) =>
        Code.Add($"private static void {name}(Utf8JsonWriter writer, {shape.Name} value, bool isShort)");

    protected override void Choice(Shape shape)
    {
        Code.Add("writer.WriteStringValue(value switch");
        Code.Open();
        foreach (var choice in ChoicesOf(shape))
        {
            Code.Add($"{shape.Name}.{choice.Name} => \"{Member.Named(choice.Name)}\"u8,");
        }

        Code.Add("_ => throw new JsonException(),");
        Code.Add("});");
    }

    protected override void List(Shape shape)
    {
        Code.Add("writer.WriteStartArray();");
        Code.Add("foreach (var item in value)");
        Code.Open();
        Item(shape, "item");
        Code.Close();
        Code.Add("writer.WriteEndArray();");
    }

    protected override void Dictionary(Shape shape)
    {
        Code.Add("writer.WriteStartObject();");
        Code.Add("foreach (var (name, item) in value)");
        Code.Open();
        Code.Add("writer.WritePropertyName(name);");
        Item(shape, "item");
        Code.Close();
        Code.Add("writer.WriteEndObject();");
    }

    /// <summary>A null in a list is written, unlike a member that is null.</summary>
    private void Item(Shape of, string item)
    {
        var element = of.Element!;
        var shape = Shape.Of(element);
        if (element.IsValueType && !Shape.CanBeNull(element))
        {
            Code.Add($"{Of(shape)}(writer, {item}, isShort);");
            return;
        }

        Code.Add($"if ({item} is {{ }} given) {Of(shape)}(writer, given, isShort);");
        Code.Add("else writer.WriteNullValue();");
    }

    protected override void Record(Shape shape, string name)
    {
        Code.Add("writer.WriteStartObject();");
        var number = 0;
        foreach (var member in shape.Members())
        {
            var from = $"value.{member.Property.Name}";
            if (member.Property.Type.IsValueType && !member.CanBeNull)
            {
                Code.Add($"writer.WritePropertyName(\"{member.Name}\"u8);");
                Code.Add($"{Of(member.Shape)}(writer, {from}, isShort);");
                continue;
            }

            number++;
            Code.Add($"if ({from} is {{ }} m{number})");
            Code.Open();
            Code.Add($"writer.WritePropertyName(\"{member.Name}\"u8);");
            Code.Add($"{Of(member.Shape)}(writer, m{number}, isShort);");
            Code.Close();
        }

        Code.Add("writer.WriteEndObject();");
    }
}
