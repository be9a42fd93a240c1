namespace Draklo.Core.Studies;

/// <summary>Samples that cover each input evenly, whatever the others do.</summary>
/// <remarks>
/// Method M20: of n samples each n-th part of an input's probability holds exactly one. Triangular about 0, from −1 to
/// 1. The same seed gives the same samples.
/// </remarks>
public static class LatinHypercube
{
    /// <param name="inputs">How many inputs.</param>
    /// <param name="samples">How many samples of all of them.</param>
    /// <returns>By sample, then by input.</returns>
    public static double[][] Of(int inputs, int samples, int seed)
    {
        var chance = new Random(seed);
        var drawn = new double[samples][];
        for (var s = 0; s < samples; s++)
        {
            drawn[s] = new double[inputs];
        }

        var order = new int[samples];
        for (var i = 0; i < inputs; i++)
        {
            for (var s = 0; s < samples; s++)
            {
                order[s] = s;
            }

            chance.Shuffle(order);
            for (var s = 0; s < samples; s++)
            {
                drawn[s][i] = Triangular((order[s] + chance.NextDouble()) / samples);
            }
        }

        return drawn;
    }

    /// <summary>Where a triangular distribution from −1 over 0 to 1 has so much of its probability below it.</summary>
    /// <param name="share">0 to 1.</param>
    public static double Triangular(double share) =>
        share < 0.5 ? Math.Sqrt(2 * share) - 1 : 1 - Math.Sqrt(2 * (1 - share));
}
