using Draklo.Core.Briefs;
using Draklo.Store;

namespace Draklo.Web.Tests;

/// <summary>Signatures while the clock of the machine runs wrong.</summary>
public sealed class ClockBackTests
{
    [Fact]
    public void A_clock_that_ran_back_loses_nothing_and_is_said()
    {
        var folder = Path.Combine(Path.GetTempPath(), "draklo-clock-" + Guid.NewGuid().ToString("N"));
        try
        {
            var clock = new SetClock();
            var database = Database.Open(folder);
            var jobs = new JobStore(database, clock);
            var id = jobs.Create(new("Clock", "", null, Draklo.Core.Catalogue.FirstPlan.Make())).Id;
            var store = new BriefStore(database, clock);
            Sign("Ole");
            clock.Now = clock.Now.AddHours(-3);
            Sign("Runa");
            Assert.Equal(["Ole", "Runa"], store.Signatures(id).Select(s => s.Name));
            Assert.Equal([false, true], store.Signatures(id).Select(s => s.ClockBack));

            void Sign(string name) =>
                store.Sign(
                    id,
                    seal: null,
                    (number, at, before) =>
                        new()
                        {
                            Number = number,
                            Name = name,
                            Role = "hauler",
                            At = at,
                            Way = "own-pin",
                            EnteredBy = name,
                            Fingerprint = "abc",
                            Covered = [],
                            ClockBack = before.Count > 0 && Signature.IsEarlier(at, before[^1].At),
                        }
                );
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }
    }
}
