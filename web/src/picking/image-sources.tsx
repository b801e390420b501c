import { Flex, Text } from '@chakra-ui/react'
import type { Snapshot } from '@undo-ink/contracts'
import { useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { useImageBytes } from '../api/copies.ts'
import { ActButton } from '../components/act-button.tsx'
import { Choice } from '../components/choice.tsx'
import { Loading } from '../components/loading.tsx'
import { bytes as bytesText } from '../components/words.ts'
import { ImagePicker } from './image-picker.tsx'
import { isImageName } from './pixels.ts'

type OnPick = (color: string | null) => void

/** One of the images of the copy. */
export function InheritedImage({ files, onPick }: { files: Snapshot['files']; onPick: OnPick }) {
  const images = files.filter(({ path, sha256 }) => sha256 !== null && isImageName(path))
  const [chosen, setChosen] = useState(images[0]?.id ?? null)
  const { data, error } = useImageBytes(chosen)
  const image = images.find(({ id }) => id === chosen)
  if (!image) return <Text color="soft">This copy has no images.</Text>
  return (
    <>
      <Choice label="Image" value={image.id} options={images.map(({ id, path }) => [id, path])} onChoose={setChosen} />
      {error ? <Text role="alert">{error.message}</Text> : null}
      {data ? (
        <ImagePicker key={image.id} name={image.path} bytes={data} onPick={onPick} />
      ) : error ? null : (
        <Loading />
      )}
    </>
  )
}

/** Larger files are not read: they would hold the browser up. */
const MOST_BYTES = 30 * 1024 * 1024

/** An image of one's own, dropped or chosen: it is never sent anywhere. */
export function DroppedImage({ onPick }: { onPick: OnPick }) {
  const [image, setImage] = useState<{ name: string; bytes: Uint8Array } | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const take = async (file: File | undefined) => {
    const wrong =
      file === undefined || !isImageName(file.name)
        ? 'This is no image. PNG, JPEG, GIF, WebP, AVIF, BMP, ICO and SVG can be picked from.'
        : file.size > MOST_BYTES
          ? `This image is ${bytesText(file.size)}; up to ${bytesText(MOST_BYTES)} can be picked from.`
          : null
    setProblem(wrong)
    if (file && wrong === null) setImage({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })
  }
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop: ([file]) => void take(file),
    noClick: true,
    noKeyboard: true,
    multiple: false,
  })
  return (
    <Flex
      {...getRootProps()}
      direction="column"
      align="flex-start"
      gap="2"
      minH="160px"
      p={image ? '0' : '5'}
      border={image ? undefined : '2px dashed'}
      borderColor="strong"
      bg={isDragActive ? 'tint' : undefined}
    >
      <input {...getInputProps()} aria-label="Image to pick from" />
      {image ? null : <Text>Drop an image here: a logo, a screenshot, a photograph. It stays on this machine.</Text>}
      <ActButton h="28px" onClick={open}>
        {image ? 'Another image …' : 'Choose an image …'}
      </ActButton>
      {problem === null ? null : (
        <Text role="alert" fontSize="13px">
          <span aria-hidden>▲</span> {problem}
        </Text>
      )}
      {image ? <ImagePicker name={image.name} bytes={image.bytes} onPick={onPick} /> : null}
    </Flex>
  )
}
