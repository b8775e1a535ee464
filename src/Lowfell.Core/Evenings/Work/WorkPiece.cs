using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Evenings.Work;

/// <summary>A piece as the work sees it.</summary>
/// <param name="Id">Its id.</param>
/// <param name="SetId">Its set.</param>
/// <param name="Name">Its name.</param>
/// <param name="Copies">How many there are.</param>
/// <param name="PartOfId">The piece that it is fitted on when both are painted; null for what stands alone.</param>
/// <param name="FitMin">Minutes to fit one copy.</param>
/// <param name="GlueMin">Minutes until its glue holds.</param>
/// <param name="LiesFlat">It lies flat while it is painted: what goes all round is laid on one side, then on the other.</param>
public sealed record WorkPiece(Guid Id, Guid SetId, string Name, int Copies, Guid? PartOfId = null, double FitMin = 5, double GlueMin = 60, bool LiesFlat = false);

/// <summary>A zone of a piece with its stack, in the room's air and on all its copies.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Piece">Its piece.</param>
/// <param name="Name">Its name.</param>
/// <param name="Stack">Its stack.</param>
/// <param name="Touches">Zones that it touches.</param>
/// <param name="Fitting">When it is painted, where a part is fitted.</param>
public sealed record WorkZone(Guid Id, WorkPiece Piece, string Name, StackDraft Stack, IReadOnlyList<Guid> Touches, Fitting Fitting = Fitting.Free)
{
    /// <summary>Mends on some of its copies.</summary>
    public IReadOnlyList<Repair> Repairs { get; init; } = [];

    /// <summary>The scheme that its stack is of.</summary>
    public Guid SchemeId { get; init; }
}

/// <summary>How the work is to be done.</summary>
public sealed record WorkWay
{
    /// <summary>Leaves out the coats that may be left out.</summary>
    public bool WithoutOptional { get; init; }

    /// <summary>Leaves out these coats.</summary>
    public IReadOnlyList<Guid> WithoutCoats { get; init; } = [];

    /// <summary>Hurries every coat that takes warm air.</summary>
    public bool WarmAir { get; init; }

    /// <summary>Washes as the other school has them: one generous for two thin, or two thin for one.</summary>
    public bool OtherWash { get; init; }

    /// <summary>What is done about spray on touching zones.</summary>
    public Steps.OversprayWay Overspray { get; init; }

    /// <summary>Most copies painted in one go; as many as fit where none is given.</summary>
    public int? MostCopies { get; init; }

    /// <summary>Most minutes of one step in one go; as many as an evening holds where none are given.</summary>
    public double? SittingMin { get; init; }

    /// <summary>Minutes that hands and eyes rest after a step of more than half of that.</summary>
    public double PauseMin { get; init; }

    /// <summary>Sets that have to be done by a moment, minutes from the plan's origin.</summary>
    public IReadOnlyDictionary<Guid, double> ReadyBy { get; init; } = new Dictionary<Guid, double>();

    /// <summary>Follows the painter's own figures.</summary>
    public bool Learn { get; init; } = true;

    /// <summary>Cans may be sprayed: the weather or the booth is fit.</summary>
    public bool CansFit { get; init; } = true;
}
