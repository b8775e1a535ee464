using Lowfell.Core.Wording;

namespace Lowfell.Core.Surfaces;

/// <summary>When a zone is painted, where a part is painted apart and fitted later.</summary>
public enum Fitting
{
    /// <summary>Whenever it suits.</summary>
    [Said("whenever it suits")]
    Free,

    /// <summary>Before the part is fitted: no brush reaches it afterwards.</summary>
    [Said("before the part is fitted: nothing reaches it then")]
    Before,

    /// <summary>After the part is fitted: it runs over the join.</summary>
    [Said("after it is fitted: it runs over the join")]
    After,
}
