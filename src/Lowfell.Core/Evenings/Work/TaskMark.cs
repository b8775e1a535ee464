using System.Globalization;
using System.Security.Cryptography;
using System.Text;

namespace Lowfell.Core.Evenings.Work;

/// <summary>A short mark of a task: what is proved of a plan of it holds as long as the mark is the same.</summary>
public static class TaskMark
{
    /// <summary>The mark.</summary>
    /// <param name="task">The task.</param>
    /// <param name="originMin">Its origin, minutes from any moment that is the same each time: the same task an hour later has the same mark.</param>
    /// <param name="untilMin">End of the plan that it is about, minutes from the task's origin: evenings after it do not matter.</param>
    public static string Of(WorkTask task, long originMin, double untilMin)
    {
        var text = new StringBuilder();
        void Add(params ReadOnlySpan<double> figures)
        {
            foreach (var figure in figures)
            {
                text.Append(CultureInfo.InvariantCulture, $"{figure:0.##} ");
            }
        }

        foreach (var lot in task.Plan.Chains.SelectMany(c => c))
        {
            text.Append(CultureInfo.InvariantCulture, $"{lot.Chain} {lot.Id.Place:n}{lot.Id.CoatId:n} {lot.Id.Pass} {lot.Station} {lot.Colour}|{string.Join(',', lot.Copies)} ");
            Add(lot.MinutesPerCopy, lot.LagMin, lot.MostLagMin ?? -1, lot.TouchMin, lot.SetUpMin);
        }

        foreach (var (a, b) in task.Plan.Touching.Concat(task.Plan.Joins))
        {
            Add(a, b);
        }

        // What is done by the log says when the first coats may come; the evening that runs is known by its end.
        foreach (var done in task.Work.Done.All.OrderBy(d => d.Key.Step.Place).ThenBy(d => d.Key.Step.CoatId).ThenBy(d => d.Key.Step.Pass).ThenBy(d => d.Key.Copy))
        {
            Add(done.Key.Copy, Math.Round(originMin + done.Value.AtMin), done.Value.Skipped ? 1 : 0);
        }

        foreach (var session in task.Plan.Sessions.TakeWhile(s => s.Close <= untilMin + 1))
        {
            Add(originMin + session.Close);
        }

        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text.ToString())).AsSpan(0, 16));
    }
}
