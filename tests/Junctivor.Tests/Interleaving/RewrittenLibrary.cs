using System.Reflection;
using System.Runtime.Loader;
using Mono.Cecil;
using Mono.Cecil.Cil;
using Mono.Cecil.Rocks;

namespace Junctivor.Tests.Interleaving;

/// <summary>
/// The library as it was built, with a point before each step that reads or writes what threads share without a lock; and beside it this
/// assembly once more, which works with it.
/// </summary>
internal sealed class RewrittenLibrary : AssemblyLoadContext
{
    private static readonly HashSet<string> Shared =
    [
        "Junctivor.Runtime.TypeTable::_entries", "Junctivor.Runtime.TypeTable/Entry::Handle", "Junctivor.Runtime.TypeTable/Entry::Plan",
        "Junctivor.Runtime.TypeTable/Entry::Instance", "Junctivor.Runtime.TypeTable/Entry::Code", "Junctivor.Runtime.Plan::_ready",
        "Junctivor.Runtime.Plan::_code",
        "Junctivor.Runtime.ScopeGuard::Word", "Junctivor.Resolver::_state", "Junctivor.Runtime.ResolverState::<Entries>k__BackingField",
        "Junctivor.Container::_isObserved", "Junctivor.Container::_plans", "Junctivor.Container::_disposal",
        "Junctivor.Runtime.InstanceStore::_instances", "Junctivor.Runtime.InstanceStore::_isClosed",
        "Junctivor.Runtime.InstanceStore::_hasTakenOver",
        "Junctivor.Runtime.InstanceStore::_over", "Junctivor.Runtime.Claim::_isOver", "Junctivor.Runtime.Claim::_isWaitedFor",
    ];

    private readonly Assembly _library;
    private readonly string _own = typeof(RewrittenLibrary).Assembly.Location;

    public RewrittenLibrary()
        : base("rewritten")
    {
        using MemoryStream image = new(Rewrite(typeof(Wiring).Assembly.Location));
        _library = LoadFromStream(image);
        Scenarios = LoadFromAssemblyPath(_own).GetType(typeof(Scenarios).FullName!)!;
    }

    /// <summary>The scenarios, which work with the rewritten library.</summary>
    public Type Scenarios { get; }

    protected override Assembly? Load(AssemblyName assemblyName) =>
        assemblyName.Name == typeof(Wiring).Assembly.GetName().Name ? _library
        : assemblyName.Name == typeof(RewrittenLibrary).Assembly.GetName().Name ? LoadFromAssemblyPath(_own)
        : null;

    private static byte[] Rewrite(string path)
    {
        using AssemblyDefinition assembly = AssemblyDefinition.ReadAssembly(path);
        ModuleDefinition module = assembly.MainModule;
        string[] unknown = [.. Shared.Except(
            module.GetTypes().SelectMany(type => type.Fields.Select(field => $"{type.FullName}::{field.Name}")))];
        if (unknown.Length > 0)
        {
            throw new InvalidOperationException(
                $"These fields are not in the library any more, and are not interrupted: {string.Join(", ", unknown)}.");
        }

        MethodReference point = module.ImportReference(typeof(Schedule).GetMethod(nameof(Schedule.Point)));
        foreach (MethodDefinition method in module.GetTypes().SelectMany(type => type.Methods).Where(method => method.HasBody))
        {
            method.Body.SimplifyMacros();
            foreach (Instruction step in method.Body.Instructions.ToArray())
            {
                if (Replacement(step) is { } replacement)
                {
                    step.OpCode = OpCodes.Call;
                    step.Operand = module.ImportReference(typeof(Schedule).GetMethod(replacement));
                }
                else if (IsShared(step))
                {
                    InsertBefore(method.Body.GetILProcessor(), step, point);
                }
            }

            if (method.DeclaringType.FullName == "Junctivor.Runtime.SlotWriter" && method.Name is "Slot" or "ClaimAndFill")
            {
                EmitPointFirst(method, module);
            }

            method.Body.OptimizeMacros();
        }

        using MemoryStream written = new();
        assembly.Write(written);
        return written.ToArray();
    }

    /// <summary>What would block the thread, or spin.</summary>
    private static string? Replacement(Instruction step) =>
        step.Operand is not MethodReference called ? null : $"{called.DeclaringType.FullName}::{called.Name}" switch
        {
            "System.Threading.SpinWait::SpinOnce" => nameof(Schedule.SpinOnce),
            "System.Threading.SpinLock::Enter" => nameof(Schedule.EnterSpinLock),
            "System.Threading.Lock::EnterScope" => nameof(Schedule.EnterLock),
            "System.Threading.Monitor::Enter" when called.Parameters.Count == 2 => nameof(Schedule.EnterMonitor),
            "System.Threading.Monitor::Wait" when called.Parameters.Count == 2 => nameof(Schedule.WaitMonitor),
            "System.Threading.Interlocked::MemoryBarrierProcessWide" => nameof(Schedule.Barrier),
            _ => null,
        };

    private static bool IsShared(Instruction step) => step.Operand switch
    {
        FieldReference field when step.OpCode == OpCodes.Ldfld || step.OpCode == OpCodes.Stfld =>
            Shared.Contains($"{field.DeclaringType.FullName}::{field.Name}"),
        MethodReference called =>
            called.DeclaringType.FullName is "System.Threading.Volatile" or "System.Threading.Interlocked"
                || (called.DeclaringType.FullName == "System.Array" && called.Name == "Clear"),
        _ => false,
    };

    /// <summary>Whoever jumps to the step comes to the point first.</summary>
    private static void InsertBefore(ILProcessor code, Instruction step, MethodReference point)
    {
        Instruction first = step.Previous is { OpCode.OpCodeType: OpCodeType.Prefix } prefix ? prefix : step;
        code.InsertAfter(first, Copy(first));
        first.OpCode = OpCodes.Call;
        first.Operand = point;
    }

    private static Instruction Copy(Instruction step)
    {
        Instruction copy = Instruction.Create(OpCodes.Nop);
        copy.OpCode = step.OpCode;
        copy.Operand = step.Operand;
        return copy;
    }

    /// <summary>The code that is written at run time has points too.</summary>
    private static void EmitPointFirst(MethodDefinition method, ModuleDefinition module)
    {
        ILProcessor code = method.Body.GetILProcessor();
        Instruction first = method.Body.Instructions[0];
        FieldDefinition writer = method.DeclaringType.Fields.Single(field => field.Name == "_code");
        code.InsertBefore(first, code.Create(OpCodes.Ldarg, method.Body.ThisParameter));
        code.InsertBefore(first, code.Create(OpCodes.Ldfld, writer));
        code.InsertBefore(
            first, code.Create(OpCodes.Call, module.ImportReference(typeof(PointWriter).GetMethod(nameof(PointWriter.Emit)))));
    }
}
