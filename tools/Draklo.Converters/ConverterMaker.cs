using System.Collections.Generic;
using System.Linq;
using System.Text;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Text;

namespace Draklo.Converters;

/// <summary>
/// Writes, while the core for the browser is compiled, a converter for each type that the class Converters there names:
/// plain code that goes through the members one by one.
/// </summary>
/// <remarks>
/// The JSON package describes every type that could occur before the first document, and in the browser that alone takes
/// more than a second. What is written here costs nothing before it is called.
/// </remarks>
[Generator]
public sealed class ConverterMaker : IIncrementalGenerator
{
    private const string Home = "Draklo.BuiltJson.Converters";

    /// <inheritdoc/>
    public void Initialize(IncrementalGeneratorInitializationContext context) =>
        context.RegisterSourceOutput(
            context.CompilationProvider,
            static (output, compilation) =>
            {
                if (compilation.Assembly.GetTypeByMetadataName(Home) is { } home)
                {
                    output.AddSource("Converters.g.cs", SourceText.From(Text(home), Encoding.UTF8));
                }
            }
        );

    private static string Text(INamedTypeSymbol home)
    {
        var named = home.GetAttributes()
            .Where(a => a.AttributeClass?.Name is "ReadsAttribute" or "WritesAttribute")
            .Select(a => (Type: (ITypeSymbol)a.ConstructorArguments[0].Value!, a.AttributeClass!.Name))
            .ToList();
        var code = new Code(
            "Draklo.BuiltJson",
            "partial class Converters",
            [
                "Draklo.Core.Reading",
                "System.Text.Json",
                "System.Text.Json.Serialization",
                "System.Text.Json.Serialization.Metadata",
            ]
        );
        var reader = new ReaderText(code);
        var writer = new WriterText(code);
        var roots = new List<string>();
        foreach (var group in named.GroupBy(n => n.Type, SymbolEqualityComparer.Default))
        {
            var shape = Shape.Of((ITypeSymbol)group.Key!);
            var reads = group.Any(n => n.Name == "ReadsAttribute");
            var read = reads ? $"{reader.Of(shape)}(ref reader, isStrict)" : "throw new NotSupportedException()";
            var write = $"{writer.Of(shape)}(writer, value, isShort)";
            roots.Add(shape.Name);
            code.Add($"private sealed class Of{roots.Count} : BuiltConverter<{shape.Name}>");
            code.Open();
            code.Add($"public override {shape.Name} Read(ref Utf8JsonReader reader, bool isStrict) => {read};");
            code.Add(
                $"public override void Write(Utf8JsonWriter writer, {shape.Name} value, bool isShort) => {write};"
            );
            code.Close();
        }

        code.Add("private static partial object? Made(Type type)");
        code.Open();
        for (var i = 0; i < roots.Count; i++)
        {
            code.Add($"if (type == typeof({roots[i]})) return new Of{i + 1}();");
        }

        code.Add("return null;");
        code.Close();
        reader.WriteRest();
        writer.WriteRest();
        return code.File();
    }
}
