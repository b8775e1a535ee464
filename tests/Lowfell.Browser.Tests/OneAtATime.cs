using Xunit;

// Two browsers and two hosts at once starve each other on a small machine, and waits run out.
[assembly: CollectionBehavior(DisableTestParallelization = true)]
