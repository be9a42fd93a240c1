using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>Every kind of member is held to its range, whether it may be left out or not.</summary>
public sealed class MemberRangeTests
{
    public sealed record Sample : IDocumentPart
    {
        [Display(Name = "Whole")]
        [Range(1, 5)]
        public int Whole { get; init; } = 1;

        [Display(Name = "Whole or none")]
        [Range(1, 5)]
        public int? WholeOrNone { get; init; }

        [Display(Name = "Number")]
        [Range(0.5, 2)]
        public double Number { get; init; } = 1;

        [Display(Name = "Number or none")]
        [Range(0.5, 2)]
        public double? NumberOrNone { get; init; }

        [Display(Name = "Word")]
        [MaxLength(3)]
        public string Word { get; init; } = "";

        [Display(Name = "Name on it")]
        [RegularExpression(Ids.Pattern)]
        public string? Id { get; init; }

        [Display(Name = "Sign")]
        [RegularExpression("^[A-Z]{2}$", ErrorMessage = "must be two capitals.")]
        public string? Sign { get; init; }

        [Display(Name = "Words")]
        [MinLength(1)]
        [MaxLength(2)]
        public IReadOnlyList<string>? Words { get; init; }

        public Sample? Within { get; init; }

        public IReadOnlyList<Sample> Several { get; init; } = [];
    }

    public sealed record Unnamed : IDocumentPart
    {
        [Range(0, 1)]
        public double Share { get; init; }
    }

    public static TheoryData<Sample, string> Wrong =>
        new()
        {
            {
                new() { Whole = 0 },
                "whole"
            },
            {
                new() { Whole = 6 },
                "whole"
            },
            {
                new() { WholeOrNone = 0 },
                "wholeOrNone"
            },
            {
                new() { WholeOrNone = 6 },
                "wholeOrNone"
            },
            {
                new() { Number = 0.4 },
                "number"
            },
            {
                new() { Number = double.NaN },
                "number"
            },
            {
                new() { Number = double.PositiveInfinity },
                "number"
            },
            {
                new() { NumberOrNone = 2.1 },
                "numberOrNone"
            },
            {
                new() { NumberOrNone = double.NaN },
                "numberOrNone"
            },
            {
                new() { Word = "four" },
                "word"
            },
            {
                new() { Id = "Not one" },
                "id"
            },
            {
                new() { Sign = "ABC" },
                "sign"
            },
            {
                new() { Sign = "AB\n" },
                "sign"
            },
            {
                new() { Words = [] },
                "words"
            },
            {
                new() { Words = ["a", "b", "c"] },
                "words"
            },
            {
                new() { Within = new() { Within = new() { Number = 3 } } },
                "within.within.number"
            },
            {
                new() { Several = [new(), new() { Several = [new() { Whole = 9 }] }] },
                "several[1].several[0].whole"
            },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_is_out_of_range_is_named(Sample sample, string path) =>
        Assert.Equal(path, Assert.Single(Of(sample)).Path);

    [Fact]
    public void What_is_left_out_or_on_the_edge_is_right()
    {
        Assert.Empty(Of(new Sample()));
        Assert.Empty(
            Of(
                new Sample
                {
                    Whole = 5,
                    WholeOrNone = 1,
                    Number = 0.5,
                    NumberOrNone = 2,
                    Word = "abc",
                    Id = "an-id-2",
                    Sign = "AB",
                    Words = ["a", "b"],
                    Within = new(),
                    Several = [new(), new()],
                }
            )
        );
    }

    [Fact]
    public void The_problem_says_what_is_wrong_in_the_members_own_words()
    {
        Assert.Equal("“Number” must lie between 0.5 and 2; it says 3.", Said(new() { Number = 3 }));
        Assert.Equal("Name on it takes small letters, digits and hyphens only, 32 at most.", Said(new() { Id = "A" }));
        Assert.Equal("Sign must be two capitals.", Said(new() { Sign = "a" }));
        Assert.Equal("Word is longer than 3 letters: shorten it.", Said(new() { Word = "four" }));
        Assert.Equal("Words: at least 1 is needed.", Said(new() { Words = [] }));
        Assert.Equal("Words: 2 at most, not 3.", Said(new() { Words = ["a", "b", "c"] }));
        Assert.StartsWith(
            "“share” must lie",
            Assert.Single(Of(new Unnamed { Share = 2 })).Message,
            StringComparison.Ordinal
        );
    }

    private static string Said(Sample sample) => Assert.Single(Of(sample)).Message;

    [Fact]
    public void What_nobody_wrote_ranges_for_is_no_document_part()
    {
        var fault = Assert.Throws<InvalidOperationException>(() => Of(new Hidden<int>()));
        Assert.Contains(nameof(Hidden<int>), fault.Message, StringComparison.Ordinal);
    }

    private sealed record Hidden<T> : IDocumentPart;

    /// <summary>Looks the attributes up as the checks never do, and holds every one of them against the checks.</summary>
    [Fact]
    public void Every_rule_that_stands_at_a_member_is_checked()
    {
        var rules = typeof(IDocumentPart)
            .Assembly.GetTypes()
            .Where(t => t is { IsAbstract: false, IsInterface: false } && t.IsAssignableTo(typeof(IDocumentPart)))
            .SelectMany(t => t.GetProperties().Select(p => (Type: t, Property: p)))
            .SelectMany(m =>
                m.Property.GetCustomAttributes<ValidationAttribute>().Select(r => (m.Type, m.Property, Rule: r))
            )
            .ToList();
        Assert.True(rules.Count > 450, $"{rules.Count} rules");
        var missed = rules.Where(r => Beyond(r.Rule, r.Property).Any(v => !IsFound(r.Type, r.Property, v)));
        Assert.Empty(missed.Select(r => $"{r.Type.Name}.{r.Property.Name}: {r.Rule.GetType().Name}"));
        var tooStrict = rules.Where(r => OnTheEdge(r.Rule).Any(v => IsFound(r.Type, r.Property, v)));
        Assert.Empty(tooStrict.Select(r => $"{r.Type.Name}.{r.Property.Name}: {r.Rule.GetType().Name}"));
    }

    [Fact]
    public void A_form_that_is_no_ids_says_itself_what_it_takes()
    {
        var forms = typeof(IDocumentPart)
            .Assembly.GetTypes()
            .SelectMany(t => t.GetProperties())
            .Select(p => (Property: p, Form: p.GetCustomAttribute<RegularExpressionAttribute>()))
            .Where(f => f.Form is not null && f.Form.Pattern != Ids.Pattern)
            .ToList();
        Assert.NotEmpty(forms);
        Assert.Empty(forms.Where(f => f.Form!.ErrorMessage is null).Select(f => f.Property.Name));
    }

    private static IEnumerable<object> Beyond(ValidationAttribute rule, PropertyInfo property) =>
        rule switch
        {
            RangeAttribute { Minimum: int low, Maximum: int high } => [low - 1, high + 1],
            RangeAttribute r =>
            [
                Convert.ToDouble(r.Minimum, null) - 1e-3,
                Convert.ToDouble(r.Maximum, null) + 1,
                double.NaN,
            ],
            MaxLengthAttribute { Length: var most } when property.PropertyType == typeof(string) =>
            [
                new string('a', most + 1),
            ],
            MaxLengthAttribute { Length: var most } => [new int[most + 1]],
            MinLengthAttribute { Length: var fewest } => [new int[fewest - 1]],
            RegularExpressionAttribute => ["", "§", "today\n"],
            _ => throw new InvalidOperationException($"Nothing checks {rule.GetType().Name}."),
        };

    private static IEnumerable<object> OnTheEdge(ValidationAttribute rule) =>
        rule is RangeAttribute range ? [range.Minimum, range.Maximum] : [];

    private static bool IsFound(Type type, PropertyInfo property, object value)
    {
        var part = RuntimeHelpers.GetUninitializedObject(type);
        property.SetValue(part, Fitting(property.PropertyType, value));
        var name = JsonNamingPolicy.CamelCase.ConvertName(property.Name);
        return Of((IDocumentPart)part).Exists(p => p.Path == name);
    }

    /// <summary>The value as the member takes it; a list of as many as there are numbers in it.</summary>
    private static object Fitting(Type type, object value)
    {
        var plain = Nullable.GetUnderlyingType(type) ?? type;
        return value is int[] many ? Array.CreateInstance(plain.GetGenericArguments()[0], many.Length)
            : plain == typeof(string) ? value
            : Convert.ChangeType(value, plain, CultureInfo.InvariantCulture);
    }

    private static List<Problem> Of(IDocumentPart sample)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(sample, UnitSystem.Metric, problems);
        return problems;
    }
}
