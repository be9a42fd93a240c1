using System.Text.Json;
using Draklo.Core.Logs;
using Draklo.Core.Reading;

namespace Draklo.Core.Tests;

/// <summary>What is null is not written, and what is not written reads as null: also where code must name the member.</summary>
public sealed class LeftOutTests
{
    private static readonly LoggedJob CalledOff = LearnedTests.Pull(1, 1) with
    {
        Stage = JobStage.CalledOff,
        Lines = [],
    };

    [Fact]
    public void A_job_without_landing_and_hinge_comes_back_as_it_was()
    {
        var text = JsonSerializer.SerializeToUtf8Bytes(CalledOff, DocumentReader.Options);

        var back = JsonTypes.Read<LoggedJob>(text);

        Assert.Null(back.Landing);
        Assert.Null(back.AimErrorDeg);
        Assert.Equal(CalledOff with { Lines = back.Lines, Tasks = back.Tasks }, back);
    }

    [Fact]
    public void What_cannot_be_null_is_still_missed()
    {
        var text = JsonSerializer.SerializeToNode(CalledOff, DocumentReader.Options)!.AsObject();
        text.Remove("notchDeg");

        Assert.Throws<JsonException>(() => JsonTypes.Read<LoggedJob>(JsonSerializer.SerializeToUtf8Bytes(text)));
    }
}
