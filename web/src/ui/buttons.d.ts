/** Our own buttons join the variants BootstrapVueNext knows. */
import 'bootstrap-vue-next'

declare module 'bootstrap-vue-next' {
  interface BaseButtonVariant {
    quiet: unknown
    safety: unknown
  }
}
