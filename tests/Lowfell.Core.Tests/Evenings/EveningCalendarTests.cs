using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;
using NodaTime;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

/// <summary>Evenings by the clock on the wall, waits by the sun.</summary>
public sealed class EveningCalendarTests
{
    private static readonly DateTimeZone London = DateTimeZoneProviders.Tzdb["Europe/London"];

    // In 2026 London's clocks go forward on 29 March at 1:00, back on 25 October at 2:00.
    private static readonly Instant SpringSaturday = Instant.FromUtc(2026, 3, 28, 12, 0);
    private static readonly Instant AutumnSaturday = Instant.FromUtc(2026, 10, 24, 12, 0);

    private static readonly EveningOfWeek[] WeekEnd = [new(DayOfWeek.Saturday, 19 * 60, 22 * 60), new(DayOfWeek.Sunday, 19 * 60, 22 * 60)];

    private static Lot Coat(double lagMin) =>
        new() { Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1), Chain = 0, Copies = [1], MinutesPerCopy = 10, Station = Station.Brush, Colour = "c", LagMin = lagMin, TouchMin = 10 };

    [Theory]
    [InlineData(true, 23)]
    [InlineData(false, 25)]
    public void Two_evenings_at_the_same_hour_are_an_hour_nearer_or_farther_where_the_clocks_are_changed_between_them(bool spring, int hours)
    {
        var found = new EveningCalendar(London, WeekEnd, []).Sessions(spring ? SpringSaturday : AutumnSaturday);
        Assert.Equal(hours * 60, found[1].Session.Open - found[0].Session.Open);
        Assert.All(found, f => Assert.Equal(180, f.Session.Minutes));
        Assert.Equal([IsoDayOfWeek.Saturday, IsoDayOfWeek.Sunday], found.Take(2).Select(f => f.Day.DayOfWeek));
    }

    [Fact]
    public void A_session_in_the_night_of_the_change_is_an_hour_shorter_or_longer()
    {
        EveningCalendar Night(LocalDate day) => new(London, [], [new(day, (0, 240))]);
        Assert.Equal(180, Assert.Single(Night(new(2026, 3, 29)).Sessions(SpringSaturday)).Session.Minutes);
        Assert.Equal(300, Assert.Single(Night(new(2026, 10, 25)).Sessions(AutumnSaturday)).Session.Minutes);
    }

    [Fact]
    public void A_coat_that_just_fits_the_next_evening_waits_a_week_where_an_hour_is_lost()
    {
        // From the first stroke on Saturday at 19:00 to the second coat 26 h: Sunday at 21:00; with the hour lost it would be 22:00, when the evening ends.
        int DaysBetween(Instant origin)
        {
            var found = new EveningCalendar(London, WeekEnd, []).Sessions(origin);
            var plan = ListScheduler.Immediate(new([[Coat((26 * 60) - 10), Coat(60)]], [.. found.Select(f => f.Session)], []));
            Assert.Null(plan.Problem);
            return Period.DaysBetween(found[plan.Lots[0].Session].Day, found[plan.Lots[1].Session].Day);
        }

        Assert.Equal([1, 7, 1], new[] { Instant.FromUtc(2026, 6, 6, 12, 0), SpringSaturday, AutumnSaturday }.Select(DaysBetween));
    }

    [Fact]
    public void A_day_unlike_its_week_is_painted_on_otherwise_or_not_at_all()
    {
        var calendar = new EveningCalendar(London, WeekEnd, [new(new(2026, 6, 6), null), new(new(2026, 6, 9), (600, 700))]);
        var found = calendar.Sessions(Instant.FromUtc(2026, 6, 5, 12, 0));
        Assert.Equal([new LocalDate(2026, 6, 7), new(2026, 6, 9), new(2026, 6, 13)], found.Take(3).Select(f => f.Day));
        Assert.Equal(100, found[1].Session.Minutes);
        Assert.True(found[^1].Day < new LocalDate(2026, 6, 5).PlusWeeks(EveningCalendar.UsualWeeks));
    }

    [Fact]
    public void An_evening_that_has_begun_is_what_is_left_of_it_and_none_in_its_last_minutes()
    {
        var calendar = new EveningCalendar(London, WeekEnd, []);
        var begun = calendar.Sessions(Instant.FromUtc(2026, 6, 6, 19, 30));
        Assert.Equal(new(0, 90), begun[0].Session);
        Assert.Equal(new LocalDate(2026, 6, 7), calendar.Sessions(Instant.FromUtc(2026, 6, 6, 20, 55))[0].Day);
    }

    [Fact]
    public void An_evening_runs_on_past_midnight_and_belongs_to_the_day_it_began_on()
    {
        var late = new EveningCalendar(London, [new(DayOfWeek.Friday, 21 * 60, 26 * 60)], []);
        var first = late.Sessions(Instant.FromUtc(2026, 6, 5, 12, 0))[0];
        Assert.Equal((300, new LocalDate(2026, 6, 5)), (first.Session.Minutes, first.Day));

        // At half past midnight it still runs, for an hour and a half.
        var now = late.Sessions(Instant.FromUtc(2026, 6, 5, 23, 30))[0];
        Assert.Equal((0, 90, new LocalDate(2026, 6, 5)), (now.Session.Open, now.Session.Close, now.Day));
        Assert.Equal(new LocalDate(2026, 6, 12), late.Sessions(Instant.FromUtc(2026, 6, 6, 1, 0))[0].Day);
    }

    [Fact]
    public void Two_evenings_never_overlap()
    {
        var found = new EveningCalendar(London, [new(DayOfWeek.Friday, 21 * 60, 26 * 60)], [new(new(2026, 6, 6), (60, 300))]).Sessions(Instant.FromUtc(2026, 6, 5, 12, 0));
        Assert.Equal(found[0].Session.Close, found[1].Session.Open);
    }

    [Fact]
    public void A_year_can_be_planned_ahead()
    {
        var week = new EveningCalendar(London, [new(DayOfWeek.Monday, 1200, 1300)], []);
        Assert.Equal((26, 52), (week.Sessions(SpringSaturday).Count, (week with { Weeks = 52 }).Sessions(SpringSaturday).Count));
    }
}
