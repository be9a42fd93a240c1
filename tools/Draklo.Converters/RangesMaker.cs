using System;
using System.Collections.Generic;
using System.Globalization;
using System.Linq;
using System.Text;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Text;

namespace Draklo.Converters;

/// <summary>
/// Writes, while a project is compiled, the checks of its document parts' members against the attributes that stand at
/// them: plain comparisons, where looking the attributes up at run time takes a quarter of a second in the browser.
/// </summary>
[Generator]
public sealed class RangesMaker : IIncrementalGenerator
{
    private const string Part = "Draklo.Core.Reading.IDocumentPart";

    /// <summary>What every check is given, and hands on.</summary>
    private const string Given = "units, problems";

    /// <inheritdoc/>
    public void Initialize(IncrementalGeneratorInitializationContext context) =>
        context.RegisterSourceOutput(
            context.CompilationProvider,
            static (output, compilation) =>
            {
                if (compilation.GetTypeByMetadataName(Part) is { } part)
                {
                    var folders = TypesIn(compilation.Assembly.GlobalNamespace)
                        .Where(t => t is { TypeKind: TypeKind.Class, IsAbstract: false, IsGenericType: false })
                        .Where(t => Is(t, part))
                        .GroupBy(t => t.ContainingNamespace.ToDisplayString());
                    foreach (var folder in folders)
                    {
                        var text = new File(folder.Key, [.. folder], part).Text();
                        output.AddSource($"{folder.Key}.Ranges.g.cs", SourceText.From(text, Encoding.UTF8));
                    }
                }
            }
        );

    private static bool Is(ITypeSymbol type, INamedTypeSymbol part) =>
        SymbolEqualityComparer.Default.Equals(type, part)
        || type.AllInterfaces.Contains(part, SymbolEqualityComparer.Default);

    private static IEnumerable<INamedTypeSymbol> TypesIn(INamespaceOrTypeSymbol place) =>
        place
            .GetMembers()
            .OfType<INamespaceOrTypeSymbol>()
            .SelectMany(m => m is INamedTypeSymbol type ? TypesIn(m).Prepend(type) : TypesIn(m));

    /// <summary>The file for one folder: a folder may not use all others.</summary>
    private sealed class File(string folder, List<INamedTypeSymbol> types, INamedTypeSymbol part)
    {
        private readonly Code code = new(
            folder,
            "internal static class WrittenRanges",
            ["Draklo.Core.Reading", "Draklo.Core.Units", "System.Runtime.CompilerServices"]
        );

        public string Text()
        {
            code.Add("[ModuleInitializer]");
            code.Add("internal static void Announce() => MemberRanges.Know(Check);");
            code.Add($"private static bool Check({Part} document, UnitSystem units, List<Problem> problems)");
            code.Open();
            code.Add("switch (document)");
            code.Open();
            for (var i = 0; i < types.Count; i++)
            {
                code.Add($"case {NameOf(types[i])} it: Of{i}(it, {Given}); return true;");
            }

            code.Add("default: return false;");
            code.Close();
            code.Close();
            for (var i = 0; i < types.Count; i++)
            {
                code.Add($"private static void Of{i}({NameOf(types[i])} it, UnitSystem units, List<Problem> problems)");
                code.Open();
                foreach (var member in Shape.Of(types[i]).Members().Where(m => m.CanBeSet))
                {
                    Check(member);
                }

                code.Close();
            }

            return code.File();
        }

        private static string NameOf(ITypeSymbol type) =>
            type.ToDisplayString(SymbolDisplayFormat.FullyQualifiedFormat);

        private void Check(Member member)
        {
            var value = $"it.{member.Property.Name}";
            var called = $"{Quoted(member.Name)}, {Quoted(LabelOf(member))}";
            if (Rule(member, "Range") is { } range)
            {
                var (low, high) = (Bound(range, 0), Bound(range, 1));
                code.Add($"MemberRanges.Number({value}, {called}, {QuantityOf(member)}, {low}, {high}, {Given});");
                return;
            }

            switch (member.Shape.Kind)
            {
                case ShapeKind.Text:
                    CheckText(member, value, called);
                    break;
                case ShapeKind.List:
                    CheckList(member, value, called);
                    break;
                case ShapeKind.Record when Is(member.Shape.Type, part):
                    CheckPart(member.Shape.Type, value, Quoted(member.Name));
                    break;
                default:
                    break;
            }
        }

        private void CheckText(Member member, string value, string called)
        {
            if (Count(member, "MaxLength") is { } longest)
            {
                code.Add($"MemberRanges.Text({value}, {called}, {longest}, problems);");
            }

            if (Rule(member, "RegularExpression") is { } rule)
            {
                var pattern = Quoted((string)rule.ConstructorArguments[0].Value!);
                var words = rule.NamedArguments.FirstOrDefault(a => a.Key == "ErrorMessage").Value.Value as string;
                code.Add(
                    $"MemberRanges.Form({value}, {called}, {pattern}, {(words is null ? "null" : Quoted(words))}, problems);"
                );
            }
        }

        private void CheckList(Member member, string value, string called)
        {
            var (fewest, most) = (Count(member, "MinLength"), Count(member, "MaxLength"));
            if (fewest is not null || most is not null)
            {
                code.Add(
                    $"MemberRanges.Count({value}?.Count, {called}, {fewest ?? 0}, {most ?? int.MaxValue}, problems);"
                );
            }

            if (Is(member.Shape.Element!, part))
            {
                code.Add($"for (var i = 0; i < ({value}?.Count ?? 0); i++)");
                code.Open();
                CheckPart(member.Shape.Element!, $"{value}[i]", $"{Quoted(member.Name)}, i");
                code.Close();
            }
        }

        /// <summary>Checks a part within this one, and writes before its problems where it stands.</summary>
        private void CheckPart(ITypeSymbol type, string value, string place)
        {
            var own = types.FindIndex(t => SymbolEqualityComparer.Default.Equals(t, type));
            var check = own < 0 || !type.IsSealed ? "MemberRanges.Check" : $"Of{own}";
            code.Open();
            code.Add("var before = problems.Count;");
            code.Add($"if ({value} is {{ }} part) {check}(part, {Given});");
            code.Add($"if (problems.Count > before) MemberRanges.Under({place}, before, problems);");
            code.Close();
        }

        private static AttributeData? Rule(Member member, string name) =>
            Shape.Attribute(member.Property, $"{name}Attribute");

        private static int? Count(Member member, string name) =>
            (int?)Rule(member, name)?.ConstructorArguments[0].Value;

        private static string LabelOf(Member member) =>
            Rule(member, "Display")?.NamedArguments.FirstOrDefault(a => a.Key == "Name").Value.Value as string
            ?? member.Name;

        private static string QuantityOf(Member member) =>
            Rule(member, "Measure") is { } measure
                ? Quoted((string)measure.ConstructorArguments[0].Value!)
                : $"MemberFacts.Usual({Quoted(member.Property.Name)})";

        private static string Bound(AttributeData range, int index) =>
            Convert
                .ToDouble(range.ConstructorArguments[index].Value, CultureInfo.InvariantCulture)
                .ToString("R", CultureInfo.InvariantCulture) + "d";

        private static string Quoted(string text) => SymbolDisplay.FormatLiteral(text, quote: true);
    }
}
