using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>
/// Creates code of a plan and all that it needs, where every constructor in it is plain; else of those parts of it of which it can. What
/// code has been made from is created in one go; the rest goes on being created step by step, and takes the parts that have code.
/// </summary>
/// <param name="root">The plan, of which one has been created already.</param>
internal sealed class CodeCompiler(Plan root)
{
    /// <summary>How many constructors at the most are compiled into the code of one plan: what is larger is created step by step.</summary>
    private const int MostNodes = 16_384;

    /// <summary>How many methods are compiled at the most for one plan.</summary>
    private const int MostMethods = 256;

    private readonly CodeParts _parts = new();
    private int _methods;

    /// <summary>How many constructors have been compiled into code.</summary>
    public int Nodes { get; private set; }

    /// <summary>Whether an argument needs nothing that only reflection can do.</summary>
    public static bool CanPass(ParameterInfo[] parameters) => Array.TrueForAll(
        parameters,
        parameter => parameter.ParameterType is { IsByRefLike: false, IsPointer: false, IsFunctionPointer: false });

    [RequiresDynamicCode("It writes methods at run time.")]
    public void Run()
    {
        HashSet<Plan> seen = [];
        Stack<Plan> open = new([root]);
        while (_methods < MostMethods && open.TryPop(out Plan? plan))
        {
            if (plan.Code is not null || plan.Level == Level.Singleton || !seen.Add(plan))
            {
                continue;
            }

            if (CanStandAlone(plan) && _parts.Survey(plan))
            {
                if (Nodes + _parts.SizeOfAll(plan) > MostNodes || _methods + _parts.Cuts.Count >= MostMethods)
                {
                    root.IsCodeRefused = true;
                    return;
                }

                Nodes += _parts.SizeOfAll(plan);
                _parts.Cuts.ForEach(Compile);
                _parts.Cuts.Clear();
                Compile(plan);
            }
            else
            {
                Array.ForEach(plan.Arguments, open.Push);
            }
        }
    }

    /// <summary>A wrapper or a list can be the resolved service; as a part of something it is created with that.</summary>
    private bool CanStandAlone(Plan plan) => CodeForms.Of(plan) is CodeForm.Constructed or CodeForm.Scoped
        || (plan == root && CodeForms.Of(plan) is CodeForm.Asked or CodeForm.List or CodeForm.Dictionary);

    [RequiresDynamicCode("It writes methods at run time.")]
    private void Compile(Plan plan)
    {
        if (plan.Code is null)
        {
            _methods++;
            plan.Code = new CodeWriter(plan, _parts).Write();
        }
    }
}
