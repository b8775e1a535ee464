using BenchmarkDotNet.Running;
using Lowfell.Benchmarks;

if (args is ["load", var address, var folder])
{
    await Load.RunAsync(address, folder);
    return;
}

if (args is ["steady", var steady, var lasts, var kept])
{
    await SteadyLoad.RunAsync(steady, int.Parse(lasts, System.Globalization.CultureInfo.InvariantCulture), kept);
    return;
}

if (args is ["full", var at])
{
    using var http = new HttpClient { BaseAddress = new Uri(at), Timeout = TimeSpan.FromSeconds(60) };
    await FullBench.RunAsync(http);
    return;
}

if (args is ["seed", var empty])
{
    using var seeding = new HttpClient { BaseAddress = new Uri(empty), Timeout = TimeSpan.FromSeconds(60) };
    await FullBench.SeedAsync(seeding);
    return;
}

if (args is ["way", var there])
{
    await WayBench.RunAsync(there);
    return;
}

if (args is ["mend"])
{
    MendBench.Run();
    BoardBench.Run();
    WeatherBench.Run();
    return;
}

if (args is ["bases"])
{
    BasesBench.Run();
    return;
}

if (args is ["look"])
{
    LookBench.Run();
    return;
}

if (args is ["solve", var seconds, var seeds])
{
    SolveBench.Run(double.Parse(seconds, System.Globalization.CultureInfo.InvariantCulture), int.Parse(seeds, System.Globalization.CultureInfo.InvariantCulture));
    return;
}

BenchmarkSwitcher.FromAssembly(typeof(StackBenchmarks).Assembly).Run(args);
