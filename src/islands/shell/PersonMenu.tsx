import { DropdownMenu } from 'radix-ui'
import { Key } from '../../ui/Key.tsx'
import { setUpLists } from '../../ui/lists.ts'
import { personButton } from './PersonButton.tsx'
import { signOut } from './sign-out.ts'

interface Props {
  initials: string
  name: string
  firm: string
  theme: 'light' | 'dark' | 'auto'
  onKeys: () => void
}

/** The technician's menu, open when it first comes. */
export function PersonMenu({ initials, name, firm, theme, onKeys }: Props) {
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger className={personButton.className} aria-label={personButton.label(name)}>
        {initials}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-50 min-w-[230px] border border-deep bg-enamel p-1 text-[15px] text-ink"
        >
          <div className="px-3 py-2">
            <div className="font-semibold">{name}</div>
            <div className="text-[13px] text-second">{firm}</div>
          </div>
          <DropdownMenu.RadioGroup value={theme} onValueChange={chooseTheme}>
            {[
              ['auto', 'Light or dark as the device'],
              ['light', 'Light'],
              ['dark', 'Dark, for back rooms'],
            ].map(([value, words]) => (
              <DropdownMenu.RadioItem key={value} value={value!} className={item}>
                <span className="w-4">
                  <DropdownMenu.ItemIndicator>✓</DropdownMenu.ItemIndicator>
                </span>
                {words}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          <DropdownMenu.Separator className="my-1 h-px bg-hair" />
          <DropdownMenu.Item className={item} onSelect={onKeys}>
            <span className="w-4" />
            Help and keys
            <span className="ml-auto">
              <Key>?</Key>
            </span>
          </DropdownMenu.Item>
          <DropdownMenu.Label className="slim px-3 pt-2 text-[13px] text-second">
            What is set up once
          </DropdownMenu.Label>
          {setUpLists.map(({ href, name: words }) => (
            <DropdownMenu.Item key={href} className={item} onSelect={() => location.assign(href)}>
              <span className="w-4" />
              {words}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Separator className="my-1 h-px bg-hair" />
          <DropdownMenu.Item className={item} onSelect={signOut}>
            <span className="w-4" />
            Sign out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

const item = 'flex min-h-[44px] items-center gap-2 px-3 outline-none data-[highlighted]:bg-copper-tint cursor-default'

function chooseTheme(theme: string) {
  // biome-ignore lint/suspicious/noDocumentCookie: one small preference the server reads when it draws the page
  document.cookie = `evenshot_theme=${theme}; path=/; max-age=31536000; samesite=lax`
  if (theme === 'auto') delete document.documentElement.dataset.theme
  else document.documentElement.dataset.theme = theme
}
