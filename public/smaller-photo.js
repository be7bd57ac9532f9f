// Photos are made smaller before they are sent, where the phone can; where it cannot, they go as they are.
;(() => {
  const form = document.querySelector('form[data-photo]')
  if (!form || !window.FormData || !window.FileReader || !HTMLCanvasElement.prototype.toBlob) return
  const mostSide = 1600
  form.addEventListener('submit', (event) => {
    const field = form.elements.photo
    const file = field.files?.[0]
    if (!file) return
    event.preventDefault()
    const button = form.querySelector('button')
    button.disabled = true
    button.textContent = 'Sending …'
    const asItIs = () => {
      button.disabled = false
      HTMLFormElement.prototype.submit.call(form)
    }
    const picture = new Image()
    picture.onerror = asItIs
    picture.onload = () => {
      const scale = Math.min(1, mostSide / Math.max(picture.naturalWidth, picture.naturalHeight))
      const canvas = document.createElement('canvas')
      canvas.width = Math.max(1, Math.round(picture.naturalWidth * scale))
      canvas.height = Math.max(1, Math.round(picture.naturalHeight * scale))
      canvas.getContext('2d').drawImage(picture, 0, 0, canvas.width, canvas.height)
      canvas.toBlob(
        (blob) => {
          if (!blob) return asItIs()
          const body = new FormData()
          body.append('id', form.elements.id.value)
          body.append('of', form.elements.of.value)
          body.append('photo', blob, 'photo.jpg')
          const request = new XMLHttpRequest()
          request.open('POST', form.action)
          request.onload = () => location.replace(request.responseURL || form.action.replace(/photo(\?.*)?$/, ''))
          request.onerror = () => {
            button.disabled = false
            button.textContent = 'No connection: try again'
          }
          request.send(body)
        },
        'image/jpeg',
        0.8,
      )
    }
    const reader = new FileReader()
    reader.onerror = asItIs
    reader.onload = () => {
      picture.src = reader.result
    }
    reader.readAsDataURL(file)
  })
})()
