using System.Globalization;
using System.Text;
using System.Text.Json;
using Draklo.Core.Carrying;
using Draklo.Core.Catalogue;
using Draklo.Core.Days;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Questions;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Tests.Questions;

/// <summary>Every entry says all that is its own, and its parameters are held to what they may be.</summary>
public sealed class QuestionTests
{
    public static TheoryData<string> Paths => [.. AllQuestions.List.Select(q => q.Path)];

    [Fact]
    public void Paths_and_names_are_each_used_once()
    {
        Assert.Distinct(AllQuestions.List.Select(q => q.Path));
        Assert.Distinct(AllQuestions.List.Select(q => q.Name));
    }

    [Theory]
    [MemberData(nameof(Paths))]
    public void An_entry_has_words_and_what_is_usual_lies_within_its_range(string path)
    {
        var question = AllQuestions.At(path)!;
        Assert.EndsWith(".", question.Summary, StringComparison.Ordinal);
        Assert.Equal("units", question.Parameters[0].Name);
        foreach (var parameter in question.Parameters)
        {
            Assert.EndsWith(".", parameter.Says, StringComparison.Ordinal);
            if (parameter is { Range: { } range, UsualValue: { } usual })
            {
                Assert.InRange(Convert.ToDouble(usual, CultureInfo.InvariantCulture), range.Low, range.High);
            }
        }
    }

    [Theory]
    [InlineData("/api/chances", "samples", "49")]
    [InlineData("/api/chances", "samples", "20001")]
    [InlineData("/api/chances", "samples", "many")]
    [InlineData("/api/chances", "samples", "")]
    [InlineData("/api/fall", "haulSpeedMps", "0")]
    [InlineData("/api/fall", "haulSpeedMps", "NaN")]
    [InlineData("/api/fall", "haulSpeedMps", "Infinity")]
    [InlineData("/api/fall", "samples", "-1")]
    [InlineData("/api/fall", "aim", "perhaps")]
    [InlineData("/api/rose", "step", "7")]
    [InlineData("/api/rose", "step", "0")]
    [InlineData("/api/stem", "line", "-1")]
    [InlineData("/api/stem", "line", "99999999999999999999")]
    [InlineData("/api/rigs", "people", "21")]
    [InlineData("/api/day", "on", "tomorrow")]
    [InlineData("/api/day", "on", "2026-02-30")]
    [InlineData("/api/analysis", "units", "furlongs")]
    public void A_value_that_does_not_fit_is_refused_at_its_name(string path, string name, string text)
    {
        var (asked, problems) = Of(path, (name, text));
        Assert.Null(asked);
        var problem = Assert.Single(problems);
        Assert.Equal(name, problem.Path);
        Assert.DoesNotContain("System.", problem.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_value_that_does_not_fit_is_named()
    {
        var (_, problems) = Of("/api/fall", ("samples", "9999"), ("haulSpeedMps", "9"), ("units", "miles"));
        Assert.Equal(["haulSpeedMps", "samples", "units"], problems.Select(p => p.Path).Order(StringComparer.Ordinal));
    }

    [Theory]
    [InlineData("/api/chances", "", true)]
    [InlineData("/api/analysis", "", false)]
    [InlineData("/api/fall", "samples=0", false)]
    [InlineData("/api/fall", "samples=1", true)]
    public void What_takes_long_is_known_from_how_it_is_asked(string path, string query, bool isHeavy)
    {
        var (asked, _) = Of(path, [.. query.Split('&', StringSplitOptions.RemoveEmptyEntries).Select(Pair)]);
        Assert.Equal(isHeavy, AllQuestions.At(path)!.IsHeavy(asked!));

        static (string Name, string Text) Pair(string pair) => (pair.Split('=')[0], pair.Split('=')[1]);
    }

    [Fact]
    public void What_is_left_out_is_as_usual()
    {
        var plan = JsonSerializer.SerializeToUtf8Bytes(FirstPlan.Make(), DocumentReader.Options);
        Assert.Equal(Text("/api/fall", plan), Text("/api/fall", plan, ("haulSpeedMps", "0.4"), ("samples", "0")));
        Assert.NotEqual(Text("/api/fall", plan), Text("/api/fall", plan, ("haulSpeedMps", "0.8")));
        Assert.Equal(Text("/api/chances", plan), Text("/api/chances", plan, ("samples", "1000"), ("seed", "1")));
    }

    [Fact]
    public void A_plan_with_a_member_that_no_text_can_name_is_refused()
    {
        foreach (var body in new[] { """{"\ud800":1}""", """{"lower":null,"\udfff":{}}""", "{", "[]", "" })
        {
            var (asked, _) = Of("/api/rigging/lower");
            var answered = AllQuestions
                .At("/api/rigging/lower")!
                .Ask(Encoding.UTF8.GetBytes(body), asked!, new Reply());
            Assert.StartsWith("refused", answered, StringComparison.Ordinal);
        }
    }

    private static string Text(string path, byte[] body, params (string Name, string Text)[] given)
    {
        var (asked, _) = Of(path, given);
        return AllQuestions.At(path)!.Ask(body, asked!, new Reply());
    }

    private static (Asked? Asked, List<Problem> Problems) Of(string path, params (string Name, string Text)[] given)
    {
        var texts = given.ToDictionary(g => g.Name, g => g.Text, StringComparer.Ordinal);
        return Asked.Of(AllQuestions.At(path)!, texts.GetValueOrDefault, new Nothing(), default);
    }

    private sealed class Reply : IAnswered<string>
    {
        public string Take<T>(T? answer, IReadOnlyList<Problem> problems)
            where T : class =>
            answer is null
                ? $"refused {string.Join("; ", problems)}"
                : JsonSerializer.Serialize(answer, DocumentReader.Options);
    }

    private sealed class Nothing : IAtHand
    {
        public CarriedLocker Locker => CarriedLocker.Nothing;

        public TimeSpan ClockOffset => TimeSpan.Zero;

        public Yard Yard(UnitSystem units) => Locker.Yard(units);

        public DaySetting SettingOf(Plan plan, DateOnly? day) => DaySetting.Of(plan, day, TimeSpan.Zero, []);
    }
}
