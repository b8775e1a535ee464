namespace Lowfell.Web.Tests.Circle.One
{
    internal sealed class There
    {
        public Two.Back? Back { get; set; }
    }
}

namespace Lowfell.Web.Tests.Circle.Two
{
    internal sealed class Back
    {
        public One.There? There { get; set; }
    }
}
