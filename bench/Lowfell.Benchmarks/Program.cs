using BenchmarkDotNet.Running;
using Lowfell.Benchmarks;

BenchmarkSwitcher.FromAssembly(typeof(StackBenchmarks).Assembly).Run(args);
