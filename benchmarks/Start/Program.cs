using System.Runtime;
using Start;

// What it is called with: how it is wired, and whether it says how many methods were compiled at run time.
object desk = args[0] == "wired" ? Wired.Serve() : ByHand.Serve();
if (args.Length > 1)
{
    Console.WriteLine(JitInfo.GetCompiledMethodCount());
}

return desk is Desk ? 0 : 1;
