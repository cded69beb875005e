using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Tells how code comes to what a plan gives.</summary>
internal static class CodeForms
{
    public static CodeForm Of(Plan plan)
    {
        if (plan.IsShared)
        {
            return plan.Level == Level.Singleton ? CodeForm.Ready
                : plan.Level == Level.Scoped && plan.Slot < ScopeWord.MostSlots ? CodeForm.Scoped
                : CodeForm.Fetched;
        }

        return plan.Recipe switch
        {
            ConstantRecipe => CodeForm.Constant,
            SharedRecipe => CodeForm.Ready,
            IncomingRecipe => CodeForm.Fetched,
            AmbientRecipe ambient when ambient.Form == AmbientForm.Scope || ambient.Form == AmbientForm.Container => CodeForm.Fetched,
            DeferredRecipe or ArgumentFuncRecipe => CodeForm.Asked,
            ConstructorRecipe or PropertyFillingRecipe => CodeForm.Constructed,
            ListRecipe => CodeForm.List,
            DictionaryRecipe<string> or DictionaryRecipe<Type> => CodeForm.Dictionary,
            _ => CodeForm.Impossible,
        };
    }
}
