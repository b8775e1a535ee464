using BenchmarkDotNet.Running;
using Lowfell.Benchmarks;

if (args is ["load", var address, var folder])
{
    await Load.RunAsync(address, folder);
    return;
}

BenchmarkSwitcher.FromAssembly(typeof(StackBenchmarks).Assembly).Run(args);
