using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Gear;

/// <summary>The pieces on the truck today: offered first wherever gear is chosen.</summary>
public sealed record TodayKit : IDocumentPart
{
    /// <summary>There is one at a time.</summary>
    public const string OnlyId = "today";

    [Display(Name = "Id of the kit", Description = "Always \"today\".")]
    [RegularExpression("^today$", ErrorMessage = "must be “today”.")]
    public string Id { get; init; } = OnlyId;

    [Display(Name = "Day", Description = "yyyy-MM-dd; on another day it counts no more until somebody takes it again.")]
    [MaxLength(10)]
    public required string On { get; init; }

    [Display(Name = "Pieces", Description = "Ids in the locker.")]
    [MaxLength(500)]
    public required IReadOnlyList<string> Items { get; init; }
}
