/** Our own quiet button joins the variants BootstrapVueNext knows. */
import 'bootstrap-vue-next'

declare module 'bootstrap-vue-next' {
  interface BaseButtonVariant {
    quiet: unknown
  }
}
