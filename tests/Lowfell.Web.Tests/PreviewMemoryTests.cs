using System.Buffers;
using System.Text;
using System.Text.Json.Nodes;
using Lowfell.Web.Benches;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>An answer is remembered from its second asking on, for its own bench, and until the shelf is another.</summary>
public sealed class PreviewMemoryTests(TestHost host) : IClassFixture<TestHost>
{
    private static readonly Guid Bench = new("01a20000-0000-7000-8000-000000000001");

    private static Question Ask(string text, Guid? bench = null) => Question.Of(bench ?? Bench, new ReadOnlySequence<byte>(Encoding.UTF8.GetBytes(text)));

    private static ValueTask<OpenShelf> NoShelf() => throw new InvalidOperationException("An answer without a shelf asks for none.");

    [Fact]
    public async Task An_answer_is_kept_the_second_time()
    {
        using var memory = new PreviewMemory();
        byte[] answer = [1, 2, 3];
        memory.Keep(Ask("a"), null, answer);
        Assert.Null(await memory.RecallAsync(Ask("a"), NoShelf));
        memory.Keep(Ask("a"), null, answer);
        Assert.Same(answer, await memory.RecallAsync(Ask("a"), NoShelf));
        Assert.Null(await memory.RecallAsync(Ask("b"), NoShelf));
        Assert.Null(await memory.RecallAsync(Ask("a", Guid.NewGuid()), NoShelf));
    }

    [Fact]
    public void A_question_in_parts_is_the_same_question()
    {
        var whole = Encoding.UTF8.GetBytes("{\"zone\":{},\"coats\":[]}");
        var first = new Part(whole.AsMemory(0, 7));
        var parts = new ReadOnlySequence<byte>(first, 0, first.Then(whole.AsMemory(7)), whole.Length - 7);
        Assert.Equal(Question.Of(Bench, new(whole)), Question.Of(Bench, parts));
    }

    [Fact]
    public async Task A_stack_of_a_paint_that_changes_is_answered_anew_however_often_it_was_asked()
    {
        var paint = await host.MaterialAsync("Rope Tan");
        var body = new { zone = new { }, coats = new[] { new { id = Guid.NewGuid(), technique = "baseCoat", materialId = (string)paint["id"]! } } };
        async Task<string> FaceAsync() => (string)(await host.PostAsync("/api/preview/stack", body))["strata"]![0]!["face"]!["hex"]!;
        var before = await FaceAsync();
        for (var i = 0; i < 3; i++)
        {
            Assert.Equal(before, await FaceAsync());
        }

        await host.SendAsync(HttpMethod.Put, $"/api/materials/{paint["id"]}", new { version = (int)paint["version"]!, material = paint["material"]!.DeepClone().With("colour", JsonValue.Create("#203050")) }, System.Net.HttpStatusCode.OK);
        Assert.NotEqual(before, await FaceAsync());
    }

    private sealed class Part : ReadOnlySequenceSegment<byte>
    {
        public Part(ReadOnlyMemory<byte> text) => Memory = text;

        public Part Then(ReadOnlyMemory<byte> text)
        {
            var next = new Part(text) { RunningIndex = RunningIndex + Memory.Length };
            Next = next;
            return next;
        }
    }
}
